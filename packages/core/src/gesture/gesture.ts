/** Gestures: ways of scrolling, as scroll offsets per frame. A new one is a file in `gestures/` and a line in the registry below. */
import { findOrMake, itemAt, lastItem, perObject } from '../assert/index.ts';
import * as z from 'zod';
import type { Ms, Px } from '../page/index.ts';
import { makeClock, frameTimes } from './clock.ts';
import type { FrameClock } from './clock.ts';
import { brisk } from './gestures/brisk-wheel.ts';
import type { GestureDefinition, Hand, Values } from './gesture-definition.ts';
import { jump } from './gestures/jump.ts';
import { pageKeys } from './gestures/page-keys.ts';
import { slowRead } from './gestures/slow-read.ts';
import { steady } from './gestures/steady.ts';
import { fling } from './gestures/touch-fling.ts';
import { flick } from './gestures/trackpad-flick.ts';
import { traceOffset } from './trace.ts';
import type { Trace } from './trace.ts';

export const GESTURES: readonly GestureDefinition[] = [slowRead, brisk, flick, fling, pageKeys, steady, jump];
/** What is chosen where nothing else is. */
export const DEFAULT_GESTURE = brisk.id;

/** A gesture with its numbers, on a scrollport of some height. */
export interface Gesture extends Hand {
  id: string;
  name: string;
  values: Values;
  leaps: boolean;
  /** the user’s own scrolling, replayed as it was */
  trace?: Trace;
}

/** Constants that differ from their own values, by gesture. */
export const GestureValuesSchema = z.record(z.string().max(40), z.record(z.string().max(40), z.number()));
export type GestureValues = z.infer<typeof GestureValuesSchema>;

/** Values of a definition’s constants within their bounds. */
export function listValues(d: GestureDefinition, own: Partial<Values> = {}): Values {
  return Object.fromEntries(
    Object.entries(d.constants).map(([key, c]) => [
      key,
      Math.min(c.max, Math.max(c.min, own[key] ?? c.value)),
    ]),
  );
}

/** The newest of each, since runs of a gesture are kept with it. */
const newest = new Map<string, { key: string; gesture: Gesture }>();

/** The gesture of an id on a scrollport `port` px high; an unknown id is the default one. Asked the same again, it is the same object. */
export function findGesture(id: string, port: Px, own: GestureValues = {}): Gesture {
  const d = GESTURES.find((g) => g.id === id) ?? brisk;
  const values = listValues(d, own[d.id]);
  const key = JSON.stringify([port, values]);
  const known = newest.get(d.id);
  if (known?.key === key) return known.gesture;
  const gesture = { id: d.id, name: d.name, values, leaps: d.leaps ?? false, ...d.hand(values, port) };
  newest.set(d.id, { key, gesture });
  return gesture;
}

/** The user’s own scrolling as a gesture. */
export const recordedGesture = perObject((trace: Trace): Gesture => ({
  id: 'recorded',
  name: trace.name,
  values: {},
  leaps: false,
  period: 100,
  distance: (t) => Math.abs(traceOffset(trace, t) - itemAt(trace.samples, 0).y),
  trace,
}));

export interface Run {
  /** frame times in ms and the scroll offset shown in each */
  times: Float64Array;
  offsets: Float64Array;
}

const MAX_FRAMES = 400_000;

/**
 * Runs a gesture from one offset towards another by a clock (or an even rate), up or down, until it arrives. Offsets are whole px, as
 * the browser snaps them at a device pixel ratio of 1. `phase` (px) shifts where within its period the gesture stands at the start.
 * A recorded one goes its own way instead, as far as the page reaches.
 */
export function runGesture(g: Gesture, from: Px, to: Px, clock: FrameClock | number, phase: Px = 0): Run {
  const at = frameTimes(typeof clock === 'number' ? makeClock(clock) : clock);
  if (g.trace) return replay(g.trace, Math.max(from, to), at);
  const sign = to >= from ? 1 : -1;
  const length = Math.abs(to - from);
  const times: number[] = [0];
  const offsets: number[] = [from];
  const lead = timeAt(g, phase, at(1));
  for (let i = 1; offsets.at(-1) !== to && i < MAX_FRAMES; i++) {
    const travelled = Math.min(length, Math.max(0, g.distance(lead + at(i)) - phase));
    times.push(at(i));
    offsets.push(travelled === length ? to : Math.round(from + sign * travelled));
  }
  return { times: Float64Array.from(times), offsets: Float64Array.from(offsets) };
}

function replay(trace: Trace, max: Px, at: (frame: number) => Ms): Run {
  const end = lastItem(trace.samples).t;
  const times: number[] = [];
  const offsets: number[] = [];
  for (let i = 0; i < MAX_FRAMES && (i === 0 || at(i - 1) < end); i++) {
    times.push(at(i));
    offsets.push(Math.round(Math.min(max, Math.max(0, traceOffset(trace, at(i))))));
  }
  return { times: Float64Array.from(times), offsets: Float64Array.from(offsets) };
}

function timeAt(g: Hand, distance: Px, frame: Ms): Ms {
  let t = 0;
  while (g.distance(t + frame) <= distance && t < 60_000) t += frame;
  return distance === 0 ? 0 : t;
}

/**
 * Time that the gesture takes for a distance, ms: the frame of a 60 Hz run in which it arrives. What is travelled only grows, so that frame is
 * found by doubling and halving.
 */
export function toDuration(g: Gesture, distance: Px): Ms {
  if (g.trace) return lastItem(g.trace.samples).t;
  const at = frameTimes(makeClock(60));
  const isThere = (frame: number): boolean => {
    const travelled = Math.max(0, g.distance(at(frame)));
    return travelled >= distance || Math.round(travelled) === distance;
  };
  if (distance === 0) return 0;
  let high = 1;
  while (high < MAX_FRAMES && !isThere(high)) high *= 2;
  let low = high >> 1;
  high = Math.min(high, MAX_FRAMES - 1);
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (isThere(middle)) high = middle;
    else low = middle;
  }
  return at(high);
}

/** Frames whose progress lies strictly between 0 and 1: the fewest over eight start offsets within the gesture's period. */
export function framesInRange(
  g: Gesture,
  span: { start: Px; end: Px },
  max: Px,
  clock: FrameClock | number,
): number {
  let fewest = Infinity;
  for (const offsets of listRuns(g, max, clock)) fewest = Math.min(fewest, count(offsets, span, !g.trace));
  return fewest;
}

/** Offsets of a downward run are sorted, so both bounds are found by halving. */
function count(offsets: Float64Array, span: { start: Px; end: Px }, isSorted: boolean): number {
  if (!isSorted) return offsets.reduce((n, y) => n + Number(y > span.start && y < span.end), 0);
  const below = (limit: Px, inclusive: boolean) => {
    let low = 0;
    let high = offsets.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (itemAt(offsets, middle) < limit || (inclusive && offsets[middle] === limit)) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  return Math.max(0, below(span.end, false) - below(span.start, true));
}

const START_OFFSETS = 8;
/** Per gesture, of some pages and clocks. */
const runs = perObject((_: Gesture) => new Map<string, Float64Array[]>());
const MAX_KEPT = 4;

/** Downward runs over the whole page from the start offsets; kept, since every motion of a page asks for the same ones. */
function listRuns(g: Gesture, max: Px, clock: FrameClock | number): Float64Array[] {
  const key = `${max} ${typeof clock === 'number' ? clock : clock.id}`;
  return findOrMake(runs(g), key, MAX_KEPT, () =>
    Array.from(
      { length: g.trace ? 1 : START_OFFSETS },
      (_, k) => runGesture(g, 0, max, clock, (k / START_OFFSETS) * g.period).offsets,
    ),
  );
}
