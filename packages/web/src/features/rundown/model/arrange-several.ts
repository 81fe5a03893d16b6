/** Bringing several motions into line: starts, ends, or even distances between their starts. */
import type { Motion } from '@lyvek/core';
import type { Bar } from '../../../editor/model/bars.ts';
import { shifted, withEndAt } from './moves.ts';

export const alignStarts = (bars: readonly Bar[]): Motion[] => {
  const first = Math.min(...bars.map((b) => b.placed.start));
  return bars.map((b) => shifted(b, first - b.placed.start));
};
export const alignEnds = (bars: readonly Bar[]): Motion[] => {
  const last = Math.max(...bars.map((b) => b.placed.end));
  return bars.map((b) => shifted(b, last - b.placed.end));
};
/** The first and the last stay; what lies between starts at equal distances. */
export function spreadEvenly(bars: readonly Bar[]): Motion[] {
  const sorted = [...bars].sort((a, b) => a.placed.start - b.placed.start);
  const first = sorted[0]?.placed.start ?? 0;
  const step = ((sorted.at(-1)?.placed.start ?? 0) - first) / Math.max(1, sorted.length - 1);
  return sorted.map((b, i) => shifted(b, first + i * step - b.placed.start));
}
/** Each about its own start: where they begin stays, how long they take changes by one factor. */
export const scaled = (bars: readonly Bar[], factor: number): Motion[] =>
  bars.map((b) => withEndAt(b, 'end', b.placed.start + (b.placed.end - b.placed.start) * factor));

/** What can be done with several motions at once, by the name it has on its button. */
export const ARRANGEMENTS: readonly { label: string; change(bars: readonly Bar[]): Motion[] }[] = [
  { label: 'Align starts', change: alignStarts },
  { label: 'Align ends', change: alignEnds },
  { label: 'Spread evenly', change: spreadEvenly },
  { label: 'Half as long', change: (bars) => scaled(bars, 0.5) },
  { label: 'Twice as long', change: (bars) => scaled(bars, 2) },
];
