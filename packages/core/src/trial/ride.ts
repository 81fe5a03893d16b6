/** A gesture on a page: the frames of a run, with what followed motions see of it. */
import { findOrMake, perObject } from '../assert/index.ts';
import { damp, isAtRest } from '../damping/index.ts';
import { runGesture } from '../gesture/index.ts';
import type { Damping } from '../damping/index.ts';
import type { FrameClock, Gesture, Run } from '../gesture/index.ts';
import { frameTimes } from '../gesture/index.ts';
import type { Px } from '../page/index.ts';

export const DIRECTIONS = ['down', 'up', 'both'] as const;
export type Direction = (typeof DIRECTIONS)[number];

export interface Ride extends Run {
  /** frame in which the hand arrives; after it only followed motions still move */
  arrived: number;
  /** the offset that a follow setting shows, by frame */
  damped(how: Damping): Float64Array;
}

/** Time that followed motions are given to come to rest, ms. */
const MAX_REST = 4000;

/** Per gesture, of some pages, clocks and sets of dampings. */
const rides = perObject((_: Gesture) => new Map<string, Ride>());
const MAX_KEPT = 4;

/**
 * From end to end of the page, in one direction or there and back, and on until everything that is damped is at rest. The same again is the
 * same object, so that what was found out along it stays good.
 */
export function findRide(
  g: Gesture,
  max: Px,
  clock: FrameClock,
  direction: Direction,
  dampings: readonly Damping[],
): Ride {
  const kinds = new Map(dampings.map((how) => [JSON.stringify(how), how]));
  const key = JSON.stringify([max, clock.id, direction, ...[...kinds.keys()].sort()]);
  return findOrMake(rides(g), key, MAX_KEPT, () => makeRide(g, max, clock, direction, [...kinds.values()]));
}

function makeRide(...[g, max, clock, direction, dampings]: Parameters<typeof findRide>): Ride {
  const legs: [Px, Px][] =
    g.trace || direction === 'down'
      ? [[0, max]]
      : direction === 'up'
        ? [[max, 0]]
        : [
            [0, max],
            [max, 0],
          ];
  const offsets: number[] = [];
  for (const [from, to] of legs) {
    const run = runGesture(g, from, to, clock);
    for (let i = offsets.length ? 1 : 0; i < run.offsets.length; i++) offsets.push(run.offsets[i]!);
  }
  const at = frameTimes(clock);
  const arrived = offsets.length - 1;
  const end = offsets[arrived]!;
  const tail = dampings.reduce((n, how) => Math.max(n, restFrames(how, offsets, at, end)), 0);
  for (let i = 0; i < tail; i++) offsets.push(end);
  const times = Float64Array.from(offsets, (_, i) => at(i));
  const shown = Float64Array.from(offsets);
  const known = new Map<string, Float64Array>();
  return {
    times,
    offsets: shown,
    arrived,
    damped(how) {
      if (how.kind === 'none') return shown;
      const key = JSON.stringify(how);
      const hit = known.get(key);
      if (hit) return hit;
      const series = new Float64Array(shown.length);
      const f = { y: shown[0]!, v: 0 };
      series[0] = f.y;
      for (let i = 1; i < series.length; i++) {
        damp(f, how, shown[i - 1]!, shown[i]!, times[i]! - times[i - 1]!);
        series[i] = f.y;
      }
      known.set(key, series);
      return series;
    },
  };
}

function restFrames(how: Damping, offsets: number[], at: (i: number) => number, end: Px): number {
  if (how.kind === 'none') return 0;
  const f = { y: offsets[0]!, v: 0 };
  for (let i = 1; i < offsets.length; i++) damp(f, how, offsets[i - 1]!, offsets[i]!, at(i) - at(i - 1));
  const begun = at(offsets.length - 1);
  for (let n = 0; ; n++) {
    const i = offsets.length + n;
    if (isAtRest(f, end) || at(i) - begun > MAX_REST) return n;
    damp(f, how, end, end, at(i) - at(i - 1));
  }
}

/** Stretches of frames in which a series lies strictly within a range: first frame, and the one after the last. */
export function framesWithin(series: Float64Array, start: Px, end: Px): [number, number][] {
  const out: [number, number][] = [];
  let begun = -1;
  for (let i = 0; i < series.length; i++) {
    const y = series[i]!;
    const isIn = y > start && y < end;
    if (isIn && begun < 0) begun = i;
    if (!isIn && begun >= 0) {
      out.push([begun, i]);
      begun = -1;
    }
  }
  if (begun >= 0) out.push([begun, series.length]);
  return out;
}
