/** While an end is dragged: the phases beside it, and a plate with its place in both notations and px. */
import { viewAlong } from '../../../editor/model/own-axis.ts';
import { useStore } from 'zustand';
import { isEstimated, phaseSpans, toPhase, present } from '@lyvek/core';
import type { LaneSlot } from '../../../editor/model/bars.ts';
import { otherWords, pointWords } from '../../../editor/words.ts';
import { grouped, toRow } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { dragStore } from '../model/drag-store.ts';
import { readoutText } from './text.ts';

const PLATE_HEIGHT = 54;
/** About 6 px a letter at this size. */
const plateWidth = (...lines: string[]) => Math.max(120, ...lines.map((l) => l.length * 6 + 16));

export function Readout({
  slots,
  left,
  right,
}: {
  slots: Map<string, LaneSlot>;
  left: number;
  right: number;
}) {
  const drag = useStore(dragStore, (s) => s.drag);
  const { view, bars, layout } = useRundown();
  if (!drag || drag.grip === 'body') return null;
  const bar = bars.find((b) => b.motion.id === drag.bar.motion.id);
  const slot = slots.get(drag.bar.motion.id);
  if (!bar || !slot) return null;
  const side = drag.grip;
  const offset = bar.placed[side];
  const y = toRow(offset, viewAlong(bar.placed, layout, view));
  const x = left + slot.x;
  const g = bar.placed.geometry;
  const first = pointWords(bar.motion.range[side], side, bar.motion.driver.kind);
  const second = g ? otherWords(bar.motion.range[side], side, g, offset) : '';
  const change = Math.round(offset - drag.was);
  const about = isEstimated(layout, bar.element) ? readoutText.about : '';
  const third = `${about}${grouped(offset)} px ±${grouped(Math.abs(change))}${drag.caught ? ` · ${drag.caught}` : ''}`;
  const PLATE = { w: plateWidth(first, second, third), h: PLATE_HEIGHT };
  const toLeft = x + 20 + PLATE.w > right;
  const px = toLeft ? x - 24 - PLATE.w : x + 24;
  const py = y < 70 ? y + 12 : y - PLATE.h - 12;
  return (
    <g className="readout">
      {g && <Rail x={x - 17} />}
      <path
        className="readout-notch"
        d={
          toLeft
            ? `M${px + PLATE.w} ${py + PLATE.h / 2}L${x - 10} ${y}L${px + PLATE.w} ${py + PLATE.h / 2 + 12}Z`
            : `M${px} ${py + PLATE.h / 2}L${x + 10} ${y}L${px} ${py + PLATE.h / 2 + 12}Z`
        }
      />
      <rect className="readout-plate" x={px} y={py} width={PLATE.w} height={PLATE.h} rx={2} />
      <text x={px + 8} y={py + 16} className="strong">
        {first}
      </text>
      <text x={px + 8} y={py + 31}>
        {second}
      </text>
      <text x={px + 8} y={py + 46}>
        {readoutText.px(grouped(offset))}{' '}
        <tspan className="faint">
          {change > 0 ? '+' : change < 0 ? '−' : '±'}
          {grouped(Math.abs(change))}
        </tspan>
        {drag.caught && <tspan className="faint"> · {drag.caught}</tspan>}
      </text>
    </g>
  );
}

/** The view progress of the subject: its phases as a rail left of the bar. */
function Rail({ x }: { x: number }) {
  const { view, bars, layout } = useRundown();
  const drag = present(useStore(dragStore, (s) => s.drag));
  const bar = present(bars.find((b) => b.motion.id === drag.bar.motion.id));
  const g = present(bar.placed.geometry);
  const spans = phaseSpans(g);
  const along = viewAlong(bar.placed, layout, view);
  const y = (o: number) => toRow(o, along);
  const here = toPhase(drag.offset, g, 'entry');
  return (
    <g className="rail">
      <path className="rail-line" d={`M${x} ${y(spans.cover.start)}V${y(spans.cover.end)}`} />
      {(['entry', 'contain', 'exit'] as const).map((phase) => {
        const { start, end } = spans[phase];
        const rows = y(end) - y(start);
        const step = phase === here.phase && rows > 120 ? 20 : 10;
        const ticks =
          rows > 24
            ? Array.from({ length: step + 1 }, (_, i) => y(start + ((end - start) * i) / step))
            : [y(start), y(end)];
        return (
          <g key={phase}>
            <path className="rail-ticks" d={ticks.map((t) => `M${x} ${t}h-4`).join('')} />
            {rows > 12 && (
              <text
                x={x - 8}
                y={(y(start) + y(end)) / 2 + 3.5}
                className={phase === here.phase ? 'rail-name here' : 'rail-name'}
              >
                {phase}
              </text>
            )}
          </g>
        );
      })}
      <circle className="rail-dot" cx={x} cy={y(drag.offset)} r={3.6} />
    </g>
  );
}
