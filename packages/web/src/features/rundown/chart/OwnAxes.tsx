/** The small axes of scrollers inside the page: a groove behind each of their bars, with its name and its length at the foot of the first. */
import { ellipsized } from '@lyvek/core';
import type { LaneSlot } from '../../../editor/model/bars.ts';
import { findOwnAxis } from '../../../editor/model/own-axis.ts';
import type { OwnAxis } from '../../../editor/model/own-axis.ts';
import { toRow } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { ownAxesText } from './text.ts';

const MAX_LETTERS = 18;

export function OwnAxes({ slots }: { slots: ReadonlyMap<string, LaneSlot> }) {
  const { bars, layout, view } = useRundown();
  const groups = new Map<string, { own: OwnAxis; columns: number[] }>();
  for (const bar of bars) {
    const own = findOwnAxis(bar.placed, layout);
    const slot = slots.get(bar.motion.id);
    if (!own || !slot) continue;
    const key = `${own.scroller} ${own.axis}`;
    const group = groups.get(key) ?? { own, columns: [] };
    groups.set(key, { own, columns: [...group.columns, slot.x] });
  }
  return [...groups].map(([key, { own, columns }]) => {
    const [y0, y1] = [toRow(own.from, view), toRow(own.to, view)];
    const first = Math.min(...columns);
    const name = ellipsized(own.name, MAX_LETTERS);
    return (
      <g key={key} className="own-axis" data-scroller={own.name}>
        {columns.map((x) => (
          <path
            key={x}
            className="own-groove"
            d={`M${x - 4} ${y0 - 2.5}h8M${x} ${y0 - 2.5}V${y1 + 2.5}M${x - 4} ${y1 + 2.5}h8`}
          />
        ))}
        <text className="label" x={first - 4} y={y1 + 16}>
          {ownAxesText[own.axis](name, Math.round(own.max))}
        </text>
      </g>
    );
  });
}
