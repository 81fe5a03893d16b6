/** Repeats: a motion that plays several times over its range, or its time, each time anew or back and forth. */
import * as z from 'zod';
import { unrolled, withWholeEasing } from '../value/index.ts';
import type { Keyframe } from '../value/index.ts';
import type { Motion, MotionDocument } from './document.ts';

const MAX_COUNT = 40;

export const RepeatSchema = z.strictObject({
  count: z.number().int().min(2).max(MAX_COUNT),
  /** every second time backwards */
  alternate: z.boolean(),
});
export type Repeat = z.infer<typeof RepeatSchema>;

type Lists = Record<string, Keyframe[]>;

/** Every time written out one after the other, or why that cannot be: a list begins and ends with its own keyframes. */
export function unrolledLists(
  lists: Lists,
  easing: string,
  { count, alternate }: Repeat,
): { lists: Lists } | { obstacle: string } {
  const out: Lists = {};
  for (const [property, list] of Object.entries(lists)) {
    const made = unrolled(withWholeEasing(list, easing), count, alternate ? 'alternate' : 'normal');
    if ('obstacle' in made) return made;
    out[property] = made.keyframes;
  }
  return { lists: out };
}

const known = new WeakMap<Motion, Motion>();

/** The motion without its repeat: the same movement, written out. One that repeats nothing is the same object. */
export function unrolledMotion(m: Motion): Motion {
  if (!m.repeat) return m;
  const cached = known.get(m);
  if (cached) return cached;
  const { repeat, ...rest } = m;
  const write = (lists: Lists): Lists => {
    const made = unrolledLists(lists, m.easing, repeat);
    return 'lists' in made ? made.lists : lists;
  };
  const made: Motion = {
    ...rest,
    easing: 'linear',
    keyframes: write(m.keyframes),
    ...(m.time
      ? { time: { ...m.time, duration: `${Number.parseFloat(m.time.duration) * repeat.count}ms` } }
      : {}),
    ...(m.conditions
      ? {
          conditions: m.conditions.map((c) =>
            c.keyframes ? { ...c, keyframes: write({ ...m.keyframes, ...c.keyframes }) } : c,
          ),
        }
      : {}),
  };
  known.set(m, made);
  return made;
}

export const unrolledDocument = (d: MotionDocument): MotionDocument =>
  d.motions.some((m) => m.repeat) ? { ...d, motions: d.motions.map(unrolledMotion) } : d;

/** Progress within the current time, for a progress over all of them (Web Animations 1, §4.8). */
export function iterationProgress(repeat: Repeat | undefined, progress: number): number {
  if (!repeat) return progress;
  const overall = Math.min(1, Math.max(0, progress)) * repeat.count;
  const turn = Math.min(repeat.count - 1, Math.floor(overall));
  const share = overall - turn;
  return repeat.alternate && turn % 2 === 1 ? 1 - share : share;
}
