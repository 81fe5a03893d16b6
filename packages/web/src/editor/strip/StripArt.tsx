/** A page drawn small on a vertical scale: sections as tints, elements as boxes. */
import { isPart, isSvgShape, itemAt } from '@lyvek/core';
import { memo } from 'react';
import type { Layout } from '@lyvek/core';
import { toRow } from './view.ts';
import type { View } from './view.ts';

const MAX_BOXES = 420;

/** Boxes worth drawing: leaves and pictures, the larger first. */
export function stripBoxes(layout: Layout, most = MAX_BOXES): number[] {
  const parents = new Set(layout.elements.flatMap((e) => (isSvgShape(e) || isPart(e) ? [] : [e.parent])));
  return layout.elements
    .map((e, i) => ({ e, i }))
    .filter(
      ({ e, i }) =>
        !e.fixed &&
        !isSvgShape(e) &&
        e.scroller === 0 &&
        (!parents.has(i) || e.kind === 'image') &&
        e.box.height < 1600,
    )
    .sort((a, b) => b.e.box.width * b.e.box.height - a.e.box.width * a.e.box.height)
    .slice(0, most)
    .map(({ i }) => i);
}

export const StripArt = memo(function StripArt({
  layout,
  view,
  x,
  width,
}: {
  layout: Layout;
  view: View;
  x: number;
  width: number;
}) {
  const k = width / Math.max(1, layout.viewport.width);
  const row = (o: number) => toRow(o, view);
  return (
    <g className="strip-art">
      <rect x={x} y={row(0)} width={width} height={layout.page.height / view.per} className="strip-ground" />
      {layout.sections.map((s, i) => (
        <rect
          key={i}
          x={x}
          y={row(s.top)}
          width={width}
          height={Math.max(0, s.height / view.per - 0.7)}
          className={i % 2 ? 'strip-b' : 'strip-a'}
        />
      ))}
      {stripBoxes(layout).map((i) => {
        const e = itemAt(layout.elements, i);
        const left = Math.max(0, e.box.x * k);
        const w = Math.min(width - left, e.box.width * k);
        if (w < 1) return null;
        const h = Math.max(0.8, e.box.height / view.per - 0.6);
        const lines =
          e.kind === 'text'
            ? Math.max(1, Math.min(6, Math.round(e.box.height / (e.fontSize ?? 16) / 1.6)))
            : 0;
        if (lines > 1 && h / lines > 1.4)
          return (
            <g key={i} className="strip-text">
              {Array.from({ length: lines }, (_, n) => (
                <rect
                  key={n}
                  x={x + left}
                  y={row(e.box.y) + (n * h) / lines}
                  width={n === lines - 1 ? w * 0.6 : w}
                  height={0.9}
                />
              ))}
            </g>
          );
        return (
          <rect
            key={i}
            x={x + left}
            y={row(e.box.y)}
            width={w}
            height={lines ? Math.min(h, 1.6) : h}
            className={e.kind === 'image' ? 'strip-deep' : lines ? 'strip-text' : 'strip-shape'}
          />
        );
      })}
    </g>
  );
});
