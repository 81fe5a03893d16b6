/** What several selected motions have in common, and changing it in all of them at once. */
import { isTimed, itemAt, lastItem } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import type { Bar } from '../../../editor/model/bars.ts';
import { shifted } from './moves.ts';

export type End = 'first' | 'last';

export interface SharedValue {
  property: string;
  /** the value at an end of the range; null where they differ */
  first: string | null;
  last: string | null;
}

const valueAtEnd = (m: Motion, property: string, end: End): string => {
  const list = m.keyframes[property] ?? [];
  return (end === 'first' ? itemAt(list, 0) : lastItem(list)).value;
};
const same = (values: readonly string[]): string | null =>
  values.every((v) => v === values[0]) ? (values[0] ?? null) : null;

/** Properties that all of them animate. */
export function sharedValues(motions: readonly Motion[]): SharedValue[] {
  const [first, ...others] = motions;
  if (!first) return [];
  return Object.keys(first.keyframes)
    .filter((p) => others.every((m) => p in m.keyframes))
    .map((property) => ({
      property,
      first: same(motions.map((m) => valueAtEnd(m, property, 'first'))),
      last: same(motions.map((m) => valueAtEnd(m, property, 'last'))),
    }));
}

/** Each with this value in its first or last keyframe of the property. */
export const withValueAtEnd = (
  motions: readonly Motion[],
  property: string,
  end: End,
  value: string,
): Motion[] =>
  motions.map((m) => {
    const list = m.keyframes[property] ?? [];
    const at = end === 'first' ? 0 : list.length - 1;
    return {
      ...m,
      keyframes: { ...m.keyframes, [property]: list.map((k, i) => (i === at ? { ...k, value } : k)) },
    };
  });

export const shiftedBy = (bars: readonly Bar[], px: number): Motion[] =>
  bars.map((b) => shifted(b, px, true));

/** Separate motions one after the other, in the order in which they start: each so many px behind the one before. */
export function steppedBy(bars: readonly Bar[], px: number): Motion[] {
  const sorted = [...bars].sort((a, b) => a.placed.start - b.placed.start);
  const first = sorted[0]?.placed.start ?? 0;
  return sorted.map((b, i) => shifted(b, first + i * px - b.placed.start, true));
}

const scaledMs = (ms: string, factor: number, least: number) =>
  `${Math.max(least, Math.round(Number.parseFloat(ms) * factor * 10) / 10)}ms`;

/** Delays and durations by one factor: 0.5 is twice as fast. */
export const timesScaled = (motions: readonly Motion[], factor: number): Motion[] =>
  motions.flatMap((m) =>
    isTimed(m.driver) && m.time
      ? [
          {
            ...m,
            time: {
              ...m.time,
              delay: scaledMs(m.time.delay, factor, 0),
              duration: scaledMs(m.time.duration, factor, 1),
            },
            ...(m.stagger && /ms$/.test(m.stagger.step)
              ? {
                  stagger: {
                    ...m.stagger,
                    step: `${Math.round(Number.parseFloat(m.stagger.step) * factor * 10) / 10}ms`,
                  },
                }
              : {}),
          },
        ]
      : [],
  );

/** Timed motions one after the other, in the order in which they start: each so many ms behind the one before. */
export function delaysStepped(motions: readonly Motion[], ms: number): Motion[] {
  const timed = motions.filter((m) => isTimed(m.driver) && m.time && m.time.after === undefined);
  const at = (m: Motion) => Number.parseFloat(m.time?.delay ?? '0');
  const sorted = [...timed].sort((a, b) => at(a) - at(b));
  const first = sorted[0] ? at(sorted[0]) : 0;
  return sorted.map((m, i) => ({
    ...m,
    time: { ...(m.time ?? { duration: '1ms' }), delay: `${Math.max(0, first + i * ms)}ms` },
  }));
}
