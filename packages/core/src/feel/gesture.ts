/** Gestures: ways of scrolling, as scroll offsets per frame. A new one is a file in `gestures/` and a line in the registry below. */
import type { Ms, Px } from '../page/index.ts';
import { brisk } from './gestures/brisk-wheel.ts';
import type { GestureDefinition } from './gesture-definition.ts';
import { flick } from './gestures/trackpad-flick.ts';

export const GESTURES: readonly GestureDefinition[] = [brisk, flick];
export const gestureById = (id: string): GestureDefinition =>
  GESTURES.find((g) => g.id === id) ?? GESTURES[0]!;

export interface Run {
  /** frame times in ms and the scroll offset shown in each */
  times: Float64Array;
  offsets: Float64Array;
}

/**
 * Runs a gesture from one offset towards another at a refresh rate, up or down, until it arrives. Offsets are whole px, as the
 * browser snaps them at a device pixel ratio of 1. `phase` (px) shifts where within its period the gesture stands at the start.
 */
export function runGesture(g: GestureDefinition, from: Px, to: Px, refresh: number, phase: Px = 0): Run {
  const frame = 1000 / refresh;
  const sign = to >= from ? 1 : -1;
  const length = Math.abs(to - from);
  const times: number[] = [0];
  const offsets: number[] = [from];
  const lead = timeAt(g, phase, frame);
  for (let i = 1; offsets.at(-1) !== to && i < 2_000_000; i++) {
    const travelled = Math.min(length, Math.max(0, g.distance(lead + i * frame) - phase));
    times.push(i * frame);
    offsets.push(travelled === length ? to : Math.round(from + sign * travelled));
  }
  return { times: Float64Array.from(times), offsets: Float64Array.from(offsets) };
}

function timeAt(g: GestureDefinition, distance: Px, frame: Ms): Ms {
  let t = 0;
  while (g.distance(t + frame) <= distance && t < 60_000) t += frame;
  return distance === 0 ? 0 : t;
}

/** Frames whose progress lies strictly between 0 and 1: the fewest over eight start offsets within the gesture's period. */
export function framesInRange(
  g: GestureDefinition,
  span: { start: Px; end: Px },
  max: Px,
  refresh: number,
): number {
  let fewest = Infinity;
  for (const offsets of runsOf(g, max, refresh)) fewest = Math.min(fewest, count(offsets, span));
  return fewest;
}

/** Offsets of a downward run are sorted, so both bounds are found by halving. */
function count(offsets: Float64Array, span: { start: Px; end: Px }): number {
  const below = (limit: Px, inclusive: boolean) => {
    let low = 0;
    let high = offsets.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (offsets[middle]! < limit || (inclusive && offsets[middle] === limit)) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  return Math.max(0, below(span.end, false) - below(span.start, true));
}

const START_OFFSETS = 8;
const MOST_RUNS = 12;
const runs = new Map<string, Float64Array[]>();

/** Downward runs over the whole page from the start offsets; kept, since every motion of a page asks for the same ones. */
function runsOf(g: GestureDefinition, max: Px, refresh: number): Float64Array[] {
  const key = `${g.id} ${max} ${refresh}`;
  const known = runs.get(key);
  if (known) return known;
  if (runs.size > MOST_RUNS) runs.clear();
  const fresh = Array.from(
    { length: START_OFFSETS },
    (_, k) => runGesture(g, 0, max, refresh, (k / START_OFFSETS) * g.period).offsets,
  );
  runs.set(key, fresh);
  return fresh;
}
