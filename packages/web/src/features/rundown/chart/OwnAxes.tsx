/** The small axes of scrollers inside the page: a groove behind each of their bars, with its name and its length at the foot of the first. */
import { ellipsized } from '@lyvek/core';
import type { LaneSlot } from '../../../editor/model/bars.ts';
import { findOwnAxis } from '../../../editor/model/own-axis.ts';
import type { OwnAxis } from '../../../editor/model/own-axis.ts';
import { toRow } from '../../../editor/strip/view.ts';
import type { Flag } from '../model/flags.ts';
import { useRundown } from '../rundown-context.ts';
import { ownAxesText } from './text.ts';

const MAX_LETTERS = 18;

interface OwnAxesProps {
  slots: ReadonlyMap<string, LaneSlot>;
  /** where triggers hang, and those that hang there */
  flags: readonly Flag[];
  flagX: number;
}

export function OwnAxes({ slots, flags, flagX }: OwnAxesProps) {
  const { bars, layout, view } = useRundown();
  const groups = new Map<string, { own: OwnAxis; columns: number[] }>();
  const stands = (where: Pick<OwnAxis, 'scroller' | 'axis'>, x: number | undefined) => {
    const own = findOwnAxis(where, layout);
    if (!own || x === undefined) return;
    const key = `${own.scroller} ${own.axis}`;
    const group = groups.get(key) ?? { own, columns: [] };
    if (!group.columns.includes(x)) groups.set(key, { own, columns: [...group.columns, x] });
  };
  for (const bar of bars) stands(bar.placed, slots.get(bar.motion.id)?.x);
  for (const flag of flags) stands(flag, flagX);
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
