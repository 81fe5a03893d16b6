/** The viewport, and the element where its motion starts and ends. The two ghosts can be dragged. */
import { useRef } from 'react';
import { useStore } from 'zustand';
import { meetingAt, toMeeting } from '@lyvek/core';
import { useOpenedPage } from '../../page-context.ts';
import { useGrip } from '../chart/use-grip.ts';
import type { Bar } from '../model/bars.ts';
import { gutterWords, pointWords } from '../model/words.ts';
import { grouped } from '../model/view.ts';

const BOX = { w: 168, h: 176 };

export function PassageDiagram({ bar }: { bar: Bar }) {
  const { link } = useOpenedPage();
  const y = useStore(link.store, (s) => s.offset.y);
  const start = useGrip();
  const svg = useRef<SVGSVGElement>(null);
  const g = bar.placed.geometry;
  const { start: s0, end: s1 } = bar.placed;
  if (!g || bar.placed.axis !== 'block')
    return (
      <div className="diagram">
        <h3>Over the page</h3>
        <PageDiagram bar={bar} />
        <p>
          {grouped(s0)} to {grouped(s1)} px of scroll
        </p>
      </div>
    );
  // The element's top in the viewport at both ends; the drawing shows what lies between and one viewport.
  const tops = [g.top - s0, g.top - s1] as const;
  const low = Math.min(0, ...tops);
  const high = Math.max(g.port, ...tops.map((t) => t + g.size));
  const k = Math.min(104 / g.port, BOX.h / (high - low));
  const row = (v: number) => (v - low) * k + 2;
  const h = Math.max(3, g.size * k);
  const w = Math.min(120, Math.max(26, 46));
  const x = (BOX.w - w) / 2;
  const now = g.top - y;
  return (
    <div className="diagram">
      <h3>In the viewport</h3>
      <svg
        ref={svg}
        width={BOX.w + 12}
        height={(high - low) * k + 6}
        role="group"
        aria-label="Where the element stands at the start and at the end"
      >
        <rect className="diagram-port" x={0.5} y={row(0)} width={BOX.w} height={g.port * k} />
        <path className="diagram-arrow" d={`M${BOX.w / 2} ${row(tops[0])}V${row(tops[1]) + h + 4}`} />
        {(['start', 'end'] as const).map((side, i) => {
          const at = row(tops[i]!);
          const line = bar.motion.range[side];
          const m = toMeeting(line, g, side) ?? meetingAt(bar.placed[side], g);
          const met = row(m.line * g.port);
          return (
            <g
              key={side}
              className={`ghost ${side}`}
              onPointerDown={(e) =>
                start(
                  e,
                  bar,
                  side,
                  (event) => -(event.clientY - svg.current!.getBoundingClientRect().top) / k,
                )
              }
            >
              <title>{`Drag: where the element stands at the ${side}`}</title>
              <rect x={x} y={at} width={w} height={h} />
              <path className="ghost-line" d={`M${x} ${met}H${BOX.w}`} />
              <text
                x={BOX.w - 2}
                y={Math.max(10, met + (side === 'start' && tops[0] > tops[1] ? 11 : -3))}
                textAnchor="end"
              >
                {gutterWords(line, side, 'passage')}
              </text>
            </g>
          );
        })}
        {now + g.size >= low && now <= high && (
          <path className="diagram-now" d={`M${x - 2} ${row(now)}h${w + 4}`} />
        )}
      </svg>
      <p>
        Top edge <b>{Math.round(tops[0])}</b> to <b>{Math.round(tops[1])}</b>, now <b>{Math.round(now)}</b>
        <br />
        {grouped(s1 - s0)} px of scroll
      </p>
    </div>
  );
}

function PageDiagram({ bar }: { bar: Bar }) {
  const k = (BOX.h - 30) / Math.max(1, bar.max);
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
      <text x={112} y={14 + Math.max(0, bar.placed.start) * k}>
        {pointWords(bar.motion.range.start, 'start', bar.motion.driver.kind).replace('the ', '')}
      </text>
      <text x={112} y={10 + Math.min(bar.max, bar.placed.end) * k}>
        {pointWords(bar.motion.range.end, 'end', bar.motion.driver.kind).replace('the ', '')}
      </text>
    </svg>
  );
}
