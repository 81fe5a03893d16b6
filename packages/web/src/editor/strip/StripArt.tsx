/** A page drawn small on a vertical scale: sections as tints, elements as boxes. */
import { isPart, isSvgShape, mapBox } from '@lyvek/core';
import { memo } from 'react';
import type { Box, ElementFacts, Layout } from '@lyvek/core';
import { toRow } from './view.ts';
import type { View } from './view.ts';

const MAX_BOXES = 420;

/** Boxes worth drawing, at most 420: leaves and pictures, the larger first; those of an inner scroller within it. */
function stripBoxes(layout: Layout): { e: ElementFacts; box: Box }[] {
  const parents = new Set(layout.elements.flatMap((e) => (isSvgShape(e) || isPart(e) ? [] : [e.parent])));
  return layout.elements
    .map((e, i) => ({ e, i }))
    .filter(({ e, i }) => !e.fixed && !isSvgShape(e) && (!parents.has(i) || e.kind === 'image'))
    .map(({ e, i }) => ({ e, box: mapBox(layout, i) }))
    .filter(({ box }) => box.height < 1600)
    .sort((a, b) => b.box.width * b.box.height - a.box.width * a.box.height)
    .slice(0, MAX_BOXES);
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
      {stripBoxes(layout).map(({ e, box }, i) => {
        const left = Math.max(0, box.x * k);
        const w = Math.min(width - left, box.width * k);
        if (w < 1) return null;
        const h = Math.max(0.8, box.height / view.per - 0.6);
        const lines =
          e.kind === 'text' ? Math.max(1, Math.min(6, Math.round(box.height / (e.fontSize ?? 16) / 1.6))) : 0;
        if (lines > 1 && h / lines > 1.4)
          return (
            <g key={i} className="strip-text">
              {Array.from({ length: lines }, (_, n) => (
                <rect
                  key={n}
                  x={x + left}
                  y={row(box.y) + (n * h) / lines}
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
            y={row(box.y)}
            width={w}
            height={lines ? Math.min(h, 1.6) : h}
            className={e.kind === 'image' ? 'strip-deep' : lines ? 'strip-text' : 'strip-shape'}
          />
        );
      })}
    </g>
  );
});
