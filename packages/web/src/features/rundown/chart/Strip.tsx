/** The page as a strip at the chart's own scale: sections as tints, elements as boxes. Click picks, drag of the frame scrolls the lanes. */
import { useMemo, useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import { mapBox, pageBox, present } from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import { beginDrag } from '../../../ui/drag.ts';
import { StripArt } from '../../../editor/strip/StripArt.tsx';
import { fitView, grouped, offsetAt, PAD, toRow } from '../../../editor/strip/view.ts';
import { useRundown, useShownElement } from '../rundown-context.ts';
import { stripText } from './text.ts';

export const STRIP = { x: 4, width: 80 };
/** As much of a box as lies within the page’s width: the strip ends there. */
function acrossStrip(box: { x: number; width: number }, k: number): { x: number; width: number } {
  const from = Math.min(STRIP.width - 3, Math.max(0, box.x * k));
  const to = Math.min(STRIP.width, Math.max(0, (box.x + box.width) * k));
  return { x: STRIP.x + from, width: Math.max(3, to - from) };
}

/** The strip of the Rundown is always drawn whole; the frame on it is the stretch that the lanes show. */
export function Strip() {
  const { layout, view, rows, pageHeight, measured } = useRundown();
  const shown = useShownElement();
  const fit = useMemo(() => fitView(pageHeight, rows), [pageHeight, rows]);
  const zoomed = view.per < fit.per * 0.995;
  const [hover, setHover] = useState<number | null>(null);
  const top = toRow(view.top, fit);
  const height = ((rows - 2 * PAD) * view.per) / fit.per;
  const chosenBox = layout.elements[shown] && mapBox(layout, shown);
  const k = STRIP.width / Math.max(1, layout.viewport.width);

  return (
    <g className="strip">
      <StripArt layout={layout} view={fit} x={STRIP.x} width={STRIP.width} />
      {measured &&
        layout.sections.map((s, i) =>
          zoomed && s.height / fit.per > 15 ? (
            <text key={i} x={STRIP.x + 4} y={toRow(s.top, fit) + 11} className="strip-name">
              {s.name.length > 13 ? `${s.name.slice(0, 12)}…` : s.name}
            </text>
          ) : null,
        )}
      {chosenBox && (
        <rect
          className="strip-chosen"
          {...acrossStrip(chosenBox, k)}
          y={toRow(chosenBox.y, fit)}
          height={Math.max(2, chosenBox.height / fit.per)}
        />
      )}
      {zoomed && (
        <>
          <path className="strip-wedge" d={`M84 ${top}L88.5 0V${rows}L84 ${top + height}Z`} />
          <rect className="strip-frame" x={STRIP.x - 0.5} y={top} width={STRIP.width + 1} height={height} />
        </>
      )}
      <StripArea fit={fit} zoomed={zoomed} onHover={setHover} />
      {zoomed &&
        (['top', 'bottom'] as const).map((edge) => (
          <FrameEdge
            key={edge}
            edge={edge}
            y={edge === 'top' ? top : top + height}
            offsetAtRow={(row) => offsetAt(row, fit)}
          />
        ))}
      {hover !== null && hover <= layout.page.height && <HoverName offset={hover} y={toRow(hover, fit)} />}
    </g>
  );
}

interface AreaProps {
  fit: ReturnType<typeof fitView>;
  zoomed: boolean;
  onHover(offset: number | null): void;
}

/** Where the strip is pressed, pulled and pointed at. */
function StripArea({ fit, zoomed, onHover }: AreaProps) {
  const { layout, view, setView, rows, choose } = useRundown();
  const dragged = useRef(false);
  const toOffset = (e: { clientY: number; currentTarget: Element }) =>
    offsetAt(e.clientY - e.currentTarget.getBoundingClientRect().top, fit);
  const press = (e: PointerEvent<SVGRectElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const at = { x: ((e.clientX - box.left) / STRIP.width) * layout.viewport.width, y: toOffset(e) };
    const from = view.top;
    const pull = (by: number) => zoomed && setView((v) => ({ ...v, top: from + by * fit.per }));
    const begun = beginDrag(e, {
      move: pull,
      drop: (by) => {
        dragged.current = false;
        pull(by);
      },
      putBack(given) {
        dragged.current = false;
        if (given) pull(0);
        else choose(elementAt(layout, at.x, at.y));
      },
    });
    dragged.current = begun;
    if (begun) onHover(null);
  };
  return (
    <rect
      className="strip-area"
      role="presentation"
      x={STRIP.x}
      y={0}
      width={STRIP.width}
      height={rows}
      onPointerDown={press}
      onPointerMove={(e) => !dragged.current && onHover(toOffset(e))}
      onPointerLeave={() => onHover(null)}
      onDoubleClick={(e) => {
        const at = toOffset(e);
        const s = layout.sections.find((x) => at >= x.top && at < x.top + x.height);
        if (s) setView(() => ({ top: Math.max(0, s.top - 40), per: (s.height + 80) / (rows - 2 * PAD) }));
      }}
    />
  );
}

/** An edge of the frame: dragging it zooms, the other edge stays. */
function FrameEdge({
  edge,
  y,
  offsetAtRow,
}: {
  edge: 'top' | 'bottom';
  y: number;
  offsetAtRow(row: number): number;
}) {
  const { view, setView, rows, pageHeight } = useRundown();
  const shown = rows - 2 * PAD;
  const press = (e: PointerEvent<SVGRectElement>) => {
    const { top } = present(e.currentTarget.ownerSVGElement).getBoundingClientRect();
    const was = view;
    const zoom = (_by: number, event: { clientY: number }) => {
      const at = offsetAtRow(event.clientY - top);
      setView((v) => {
        const bottom = v.top + shown * v.per;
        const [from, to] =
          edge === 'top' ? [Math.min(at, bottom - shown), bottom] : [v.top, Math.max(at, v.top + shown)];
        return { top: Math.max(0, from), per: (Math.min(pageHeight, to) - Math.max(0, from)) / shown };
      });
    };
    beginDrag(e, { move: zoom, drop: zoom, putBack: (given) => given && setView(() => was) });
  };
  return (
    <rect
      className="frame-edge"
      role="presentation"
      x={STRIP.x}
      y={y - 4}
      width={STRIP.width}
      height={8}
      onPointerDown={press}
    />
  );
}

/** What lies under the pointer: the section and its place. */
function HoverName({ offset, y }: { offset: number; y: number }) {
  const { layout } = useRundown();
  const name = layout.sections.findLast((s) => s.top <= offset && s.top + s.height > offset)?.name;
  return (
    <g className="strip-hover">
      <path d={`M${STRIP.x} ${y}h${STRIP.width}`} />
      <text x={STRIP.x + STRIP.width + 6} y={Math.max(12, y - 4)}>
        {stripText.px(name, grouped(offset))}
      </text>
    </g>
  );
}

/** The smallest measured element at a place of the page. */
export function elementAt(layout: Layout, x: number, y: number): number {
  let best = -1;
  let area = Infinity;
  layout.elements.forEach((e, i) => {
    if (e.fixed) return;
    const box = pageBox(layout, i);
    if (x < box.x || x > box.x + box.width || y < box.y || y > box.y + box.height) return;
    const a = box.width * box.height;
    if (a < area) [best, area] = [i, a];
  });
  return best;
}
