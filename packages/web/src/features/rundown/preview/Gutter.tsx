/** The viewport as a scale beside the page: 0 to 100 %, where the element stands now, and the lines of the range points to drag. */
import { itemAt, present } from '@lyvek/core';
import { useRef } from 'react';
import { useStore } from 'zustand';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useGrip } from '../chart/use-grip.ts';
import { useRanged } from '../rundown-context.ts';
import { useLines } from './use-lines.ts';
import { gutterText } from './text.ts';

/** px that a number needs below the one at the top. */
const ROOM = 22;

export function Gutter({ left, height }: { scale: number; left: number; height: number }) {
  const { link } = useShownPage();
  const bar = useRanged();
  const lines = useLines();
  const y = useStore(link.store, (s) => s.offset.y);
  const start = useGrip();
  const svg = useRef<SVGSVGElement>(null);
  const g = bar?.placed.geometry;
  const now = g && bar.placed.scroller === 0 ? (g.top - y) / g.port : null;
  const placed = lines.map((l) => ({ ...l, y: Math.min(height, Math.max(0, l.line * height)) }));
  const apart = spread(
    placed.map((l) => l.y),
    15,
    height,
  );
  const taken = [...apart, ...(now !== null && now >= 0 && now <= 1 ? [now * height] : [])];
  return (
    <svg
      ref={svg}
      className="gutter"
      width={84}
      height={height + 12}
      style={{ left }}
      role="group"
      aria-label={gutterText.heightInTheViewport}
    >
      <path
        className="gutter-line"
        d={`M6 0V${height}${Array.from({ length: 11 }, (_, i) => `M6 ${(i / 10) * height}h${i % 5 ? 4 : 8}`).join('')}`}
      />
      <Numbers height={height} taken={taken} />
      {now !== null && now >= 0 && now <= 1 && (
        <g className="gutter-now">
          <path d={`M0 ${now * height}h14`} />
          {apart.every((t) => Math.abs(t - now * height) > 12) && (
            <text x={17} y={now * height + 4}>
              {gutterText.now(Math.round(now * 100))}
            </text>
          )}
        </g>
      )}
      {placed.map((l, i) => (
        <g
          key={l.side}
          className="gutter-point"
          onPointerDown={(e) => {
            if (!bar || !g) return;
            // Down the viewport means earlier in the scroll.
            start(
              e,
              bar,
              l.side,
              (event) =>
                -((event.clientY - present(svg.current).getBoundingClientRect().top) / height) * g.port,
            );
          }}
        >
          <rect x={-8} y={l.y - 7} width={92} height={14} className="gutter-area" />
          <path d={`M-10 ${l.y}h24`} />
          {height >= 2 * ROOM && (
            <text x={17} y={itemAt(apart, i) + 4}>
              {l.text}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}

/** Shares of the viewport, where nothing else is written. */
function Numbers({ height, taken }: { height: number; taken: readonly number[] }) {
  return [0, 0.5, 1].map((v) => (
    <text
      key={v}
      x={17}
      y={Math.min(height - 1, Math.max(9, v * height + 4))}
      className={
        taken.some((t) => Math.abs(t - v * height) < 19) ||
        (v === 0.5 ? height < 2 * ROOM : v * height < v * ROOM)
          ? 'hidden'
          : 'gutter-number'
      }
    >
      {v * 100} %
    </text>
  ));
}

/** Room above the first word, px. */
const TOP = 8;

/** Moves labels apart so that none covers another; order is kept. */
function spread(ys: readonly number[], gap: number, height: number): number[] {
  const order = ys.map((y, i) => ({ y: Math.max(TOP, y), i })).sort((a, b) => a.y - b.y);
  for (let k = 1; k < order.length; k++)
    itemAt(order, k).y = Math.max(itemAt(order, k).y, itemAt(order, k - 1).y + gap);
  for (let k = order.length - 1, limit = height - 2; k >= 0; k--, limit -= gap)
    itemAt(order, k).y = Math.min(itemAt(order, k).y, limit);
  const out = [...ys];
  for (const o of order) out[o.i] = Math.max(TOP, o.y);
  return out;
}
