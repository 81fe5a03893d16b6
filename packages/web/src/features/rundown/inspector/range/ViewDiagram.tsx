/** The viewport, and the element where its motion starts and ends. The two ghosts can be dragged. */
import { useRef } from 'react';
import type { PointerEvent as ReactPointerEvent, SVGProps } from 'react';
import { useStore } from 'zustand';
import { meetingAt, toMeeting, itemAt, present } from '@lyvek/core';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { useGrip } from '../../chart/use-grip.ts';
import type { Bar } from '../../../../editor/model/bars.ts';
import { gutterWords, pointWords } from '../../../../editor/words.ts';
import { grouped } from '../../../../editor/strip/view.ts';
import type { Side } from '../../model/moves.ts';
import { viewDiagramText } from '../text.ts';

const BOX = { w: 168, h: 176 };
const LINE = 13;

type Geometry = NonNullable<Bar['placed']['geometry']>;

/** Where everything is drawn. Along is the way of the scroll, px of the drawing. */
function computeDrawing(placed: Bar['placed'], g: Geometry) {
  const inline = placed.axis === 'inline';
  // The element's near edge in the viewport at both ends; the drawing shows what lies between and one viewport.
  const tops = [g.top - placed.start, g.top - placed.end] as const;
  const low = Math.min(0, ...tops);
  const high = Math.max(g.port, ...tops.map((t) => t + g.size));
  const [room, port] = inline ? [BOX.w, 150] : [BOX.h, 104];
  const k = Math.min(port / g.port, room / (high - low));
  const at = (v: number) => (v - low) * k + 2;
  const across = inline ? 84 : BOX.w;
  const size = Math.max(3, g.size * k);
  const width = inline ? 34 : 46;
  const aside = (across - width) / 2;
  /** A rectangle by its places along the scroll and across it. */
  const box = (along: number, length: number, from: number, wide: number) =>
    inline
      ? { x: along, y: from, width: length, height: wide }
      : { x: from, y: along, width: wide, height: length };
  const line = (along: number, from: number, to: number) =>
    inline ? `M${along} ${from}V${to}` : `M${from} ${along}H${to}`;
  return { tops, low, high, k, at, across, size, width, aside, box, line };
}

export function ViewDiagram({ bar }: { bar: Bar }) {
  const { geometry, start, end } = bar.placed;
  if (geometry) return <InViewport bar={bar} geometry={geometry} />;
  return (
    <div className="diagram">
      <h3>{viewDiagramText.overThePage}</h3>
      <PageDiagram bar={bar} />
      <p>{viewDiagramText.toPxOfScroll(grouped(start), grouped(end))}</p>
    </div>
  );
}

function InViewport({ bar, geometry: g }: { bar: Bar; geometry: Geometry }) {
  const { link } = useShownPage();
  const inline = bar.placed.axis === 'inline';
  const scrolled = useStore(link.store, (s) => s.offset[inline ? 'x' : 'y']);
  const start = useGrip();
  const svg = useRef<SVGSVGElement>(null);
  const { tops, low, high, k, at, across, size, width, aside, box, line } = computeDrawing(bar.placed, g);
  const now = g.top - (bar.placed.scroller === 0 ? scrolled : bar.placed.start);
  const pointer = (e: PointerEvent) => {
    const frame = present(svg.current).getBoundingClientRect();
    return -(inline ? e.clientX - frame.left : e.clientY - frame.top) / k;
  };
  const [near, far] = g.insets;
  const insets = [
    [Math.min(0, near), Math.abs(near)],
    [Math.min(g.port, g.port - far), Math.abs(far)],
  ].filter((inset): inset is [number, number] => inset[1] !== 0);
  let firstWord = -Infinity;
  return (
    <div className="diagram">
      <h3>{inline ? viewDiagramText.acrossTheViewport : viewDiagramText.inTheViewport}</h3>
      <svg
        ref={svg}
        width={inline ? (high - low) * k + 6 : BOX.w + 12}
        height={inline ? across + 18 : (high - low) * k + 6}
        role="group"
        aria-label={viewDiagramText.whereTheElementStands}
        className={inline ? 'across' : undefined}
      >
        <rect className="diagram-port" {...box(at(0), g.port * k, 0.5, across)} />
        {insets.map(([from, length]) => (
          <rect key={from} className="diagram-inset" {...box(at(from), length * k, 0.5, across)} />
        ))}
        <path
          className="diagram-arrow"
          d={
            inline
              ? `M${at(tops[0])} ${across / 2}H${at(tops[1]) + size + 4}`
              : `M${across / 2} ${at(tops[0])}V${at(tops[1]) + size + 4}`
          }
        />
        {(['start', 'end'] as const).map((side, i) => {
          const point = bar.motion.range[side];
          const m = toMeeting(point, g, side) ?? meetingAt(bar.placed[side], g);
          const met = at(m.line * g.port);
          const word = Math.max(10, met + (side === 'start' && tops[0] > tops[1] ? 11 : -3));
          const before = side === 'end' ? firstWord : -Infinity;
          const y = Math.abs(word - before) < LINE ? before + LINE : word;
          if (side === 'start') firstWord = word;
          return (
            <Ghost
              key={side}
              side={side}
              text={gutterWords(point, side, 'view')}
              rect={box(at(itemAt(tops, i)), size, aside, width)}
              line={line(met, aside, across)}
              words={
                inline
                  ? {
                      x: Math.min((high - low) * k - 4, met + 3),
                      y: across + (i ? 15 : 4),
                      textAnchor: met > 110 ? 'end' : 'start',
                    }
                  : { x: BOX.w - 2, y, textAnchor: 'end' }
              }
              onDown={(e) => start(e, bar, side, pointer)}
            />
          );
        })}
        {now + g.size >= low && now <= high && (
          <path className="diagram-now" d={line(at(now), aside - 2, aside + width + 2)} />
        )}
      </svg>
      <ViewWords bar={bar} geometry={g} tops={tops} now={now} />
    </div>
  );
}

interface GhostProps {
  side: Side;
  text: string;
  rect: SVGProps<SVGRectElement>;
  /** the line of the viewport that it meets */
  line: string;
  words: SVGProps<SVGTextElement>;
  onDown(e: ReactPointerEvent<SVGGElement>): void;
}

/** The element where its motion starts or ends. */
const Ghost = ({ side, text, rect, line, words, onDown }: GhostProps) => (
  <g className={`ghost ${side}`} data-ghost={side} onPointerDown={onDown}>
    <title>{viewDiagramText.dragWhereTheElement(side)}</title>
    <rect {...(rect as object)} />
    <path className="ghost-line" d={line} />
    <text {...(words as object)}>{text}</text>
  </g>
);

interface WordsProps {
  bar: Bar;
  geometry: Geometry;
  /** of the element in the viewport, at the start and at the end, px */
  tops: readonly [number, number];
  now: number;
}

function ViewWords({ bar, geometry: g, tops, now }: WordsProps) {
  const { start, end, axis } = bar.placed;
  const inline = axis === 'inline';
  return (
    <p>
      {viewDiagramText.edge(inline)} <b>{Math.round(tops[0])}</b> {viewDiagramText.to}{' '}
      <b>{Math.round(tops[1])}</b>
      {bar.placed.scroller === 0 && (
        <>
          {viewDiagramText.now} <b>{Math.round(now)}</b>
        </>
      )}
      <br />
      {viewDiagramText.pxOfScroll(grouped(end - start))}
      {g.size > g.port && (
        <>
          <br />
          {viewDiagramText.itIsThanThe(inline)}
        </>
      )}
    </p>
  );
}

function PageDiagram({ bar }: { bar: Bar }) {
  const k = (BOX.h - 30) / Math.max(1, bar.max);
  // Two words beside a short range keep a line between them.
  const first = Math.min(BOX.h - 18, 14 + Math.max(0, bar.placed.start) * k);
  const last = Math.max(first + LINE, 10 + Math.min(bar.max, bar.placed.end) * k);
  return (
    <svg width={BOX.w} height={BOX.h} aria-hidden="true">
      <rect className="diagram-port" x={60.5} y={8} width={46} height={BOX.h - 30} />
      <rect
        className="ghost-range"
        x={60.5}
        y={8 + Math.max(0, bar.placed.start) * k}
        width={46}
        height={Math.max(2, (Math.min(bar.max, bar.placed.end) - Math.max(0, bar.placed.start)) * k)}
      />
      <text x={112} y={first}>
        {pointWords(bar.motion.range.start, 'start', bar.motion.driver.kind).replace('the ', '')}
      </text>
      <text x={112} y={last}>
        {pointWords(bar.motion.range.end, 'end', bar.motion.driver.kind).replace('the ', '')}
      </text>
    </svg>
  );
}
