/** How smoothly one motion on one element goes under a gesture. */
import { settleTime, spectralArcLengths } from '../damping/index.ts';
import { framesInRange } from '../gesture/index.ts';
import type { FrameClock, Gesture } from '../gesture/index.ts';
import type { CompiledTimeline, Instance } from '../motion/index.ts';
import type { Ms, Px } from '../page/index.ts';
import { listBreaks } from './breaks.ts';
import type { Break } from './breaks.ts';
import { computeGain } from './gain.ts';
import type { Gain } from './gain.ts';
import { copyPose, makePoser, newPose, poseAt, stepBetween } from './pose.ts';
import type { Poser } from './pose.ts';
import { framesWithin } from './ride.ts';
import type { Ride } from './ride.ts';

export interface MotionFigures extends Gain {
  motion: string;
  element: number;
  /** where it happens, px */
  start: Px;
  end: Px;
  /** frames in which progress lies strictly between 0 and 1: the fewest over eight start offsets */
  frames: number;
  /** largest and median way of a corner from one frame to the next, px; where the largest is; as at 60 Hz */
  peakStep: Px;
  medianStep: Px;
  peakAt: Px;
  peakOpacity: number;
  peakBlur: Px;
  jumps: Break[];
  kinks: Break[];
  /** turns of direction while the hand goes one way */
  reversals: number;
  /** spectral arc length of its speed minus that of the hand over the same frames; 0 is as smooth as the hand, less is rougher */
  arc: number;
  /** the same between 0 and 1: exp of it, at most 1 */
  smoothness: number;
  /** of followed motions: how far behind at most, px of scroll, and how long until it stands still after the hand does, ms */
  lag: Px;
  settle: Ms;
}

/**
 * Longer than the limit, and on the screen quicker than the page itself: what goes at up to twice the hand’s speed, against it or
 * with it, still moves no faster past the window’s edge than everything else does.
 */
export const isTooLongAStep = (f: MotionFigures, limit: Px, handStep: Px): boolean =>
  f.peakStep > limit && f.peakStep > 2.05 * handStep;

/** Turns smaller than this are no reversal, px. */
const TURN = 2;
/** A gesture as it went over the page. */
export interface Ridden {
  ride: Ride;
  gesture: Gesture;
  clock: FrameClock;
  max: Px;
}

/** A motion whose steps are watched, and where they are put down. */
interface Watched {
  timeline: CompiledTimeline;
  poser: Poser;
  series: Float64Array;
  out: MotionFigures;
  steps: number[];
}

/** Where one sees a motion from. */
type Eye = Poser['perspective'];
interface Kept {
  eye: string;
  shape: Shape;
  ride: Ride;
  crossing: Crossing;
}
/** Of an edit all but one motion are the same objects, on the same layout; and most of them are ridden as they were. */
const kept = new WeakMap<Instance, Kept>();

/** How a motion goes by under a gesture. */
export interface Crossing {
  figures: MotionFigures;
  /** frames within its range: the first, and the one after the last */
  stretches: readonly [number, number][];
}

/** The crossing of an instance; the one of last time where nothing of it has changed. */
export function findCrossing(timeline: CompiledTimeline, index: number, from: Eye, on: Ridden): Crossing {
  const instance = timeline.instances[index]!;
  const eye = JSON.stringify(from);
  const known = kept.get(instance);
  const isKnown = known?.eye === eye;
  if (isKnown && known.ride === on.ride) return known.crossing;
  const poser = makePoser(timeline, index, from);
  const shape = isKnown ? known.shape : computeShape(timeline, poser, on.max);
  const series = on.ride.damped(instance.motion.damping);
  const stretches = framesWithin(series, timeline.start[index]!, timeline.end[index]!);
  const crossing = { figures: computeSmoothness(timeline, poser, on, { ...shape, stretches }), stretches };
  kept.set(instance, { eye, shape, ride: on.ride, crossing });
  return crossing;
}

/** What does not depend on the gesture. */
type Shape = Gain & Pick<MotionFigures, 'jumps' | 'kinks'>;

const computeShape = (timeline: CompiledTimeline, poser: Poser, max: Px): Shape => ({
  ...listBreaks(timeline, poser, max),
  ...computeGain(
    timeline,
    poser,
    Math.max(0, timeline.start[poser.instance]!),
    Math.min(max, timeline.end[poser.instance]!),
  ),
});

function computeSmoothness(
  timeline: CompiledTimeline,
  poser: Poser,
  { ride, gesture, clock, max }: Ridden,
  { stretches, ...shape }: Shape & Pick<Crossing, 'stretches'>,
): MotionFigures {
  const { instance } = poser;
  const { motion, element } = timeline.instances[instance]!;
  const start = timeline.start[instance]!;
  const end = timeline.end[instance]!;
  const series = ride.damped(motion.damping);
  const out: MotionFigures = {
    motion: motion.id,
    element,
    start,
    end,
    ...shape,
    frames: framesInRange(gesture, { start, end }, max, clock),
    peakStep: 0,
    medianStep: 0,
    peakAt: Math.min(max, Math.max(0, start)),
    peakOpacity: 0,
    peakBlur: 0,
    reversals: 0,
    arc: 0,
    smoothness: 1,
    lag: 0,
    settle: 0,
  };
  const steps: number[] = [];
  const watched: Watched = { timeline, poser, series, out, steps };
  for (const [first, last] of stretches) {
    const seen = watch(watched, ride, first, last);
    if (seen.speed.length >= 4) {
      const [own, hand] = spectralArcLengths(seen.speed, seen.hand, clock.refresh);
      out.arc = Math.min(out.arc, own - hand);
    }
    out.reversals = Math.max(out.reversals, seen.reversals);
  }
  // A page that jumps over the range shows all of it in one step.
  if (stretches.length === 0) leap(watched, start, end);
  steps.sort((a, b) => a - b);
  const at60 = clock.refresh / 60;
  out.medianStep = (steps[steps.length >> 1] ?? 0) * at60;
  out.peakStep *= at60;
  out.smoothness = Math.exp(Math.min(0, out.arc));
  if (motion.damping.kind !== 'none') {
    const near = framesWithin(ride.offsets, start - 1, end + 1);
    for (const [a, b] of near)
      for (let i = a; i < b; i++) out.lag = Math.max(out.lag, Math.abs(ride.offsets[i]! - series[i]!));
    out.settle = settleTime(motion.damping, out.lag);
  }
  return out;
}

const before = newPose();
const now = newPose();
/** Steps of one stretch of frames, with the frame before and the one after it. */
function watch({ timeline, poser, series, out, steps }: Watched, ride: Ride, first: number, last: number) {
  const from = Math.max(0, first - 1);
  const to = Math.min(series.length - 1, last);
  poseAt(timeline, poser, series[from]!, before);
  const speed: number[] = [];
  const hand: number[] = [];
  let reversals = 0;
  let way: [number, number] | null = null;
  let gone = 0;
  for (let i = from + 1; i <= to; i++) {
    poseAt(timeline, poser, series[i]!, now);
    const dt = ride.times[i]! - ride.times[i - 1]!;
    const step = poser.moves ? stepBetween(before, now) : 0;
    const fade = Math.abs(now.opacity - before.opacity);
    const blur = Math.abs(now.blur - before.blur);
    if (series[i] !== series[i - 1]) steps.push(step);
    if (step > out.peakStep) {
      out.peakStep = step;
      out.peakAt = series[i]!;
    }
    out.peakOpacity = Math.max(out.peakOpacity, fade);
    out.peakBlur = Math.max(out.peakBlur, blur);
    // Without any way to go, what fades or blurs is what the eye follows.
    speed.push((step + (poser.moves ? 0 : 100 * fade + 10 * blur)) / dt);
    hand.push(Math.abs(ride.offsets[i]! - ride.offsets[i - 1]!) / dt);
    const dx = now.corners[0]! - before.corners[0]!;
    const dy = now.corners[1]! - before.corners[1]!;
    const isSameHand = Math.sign(ride.offsets[i]! - ride.offsets[i - 1]!) !== 0;
    if (isSameHand && Math.hypot(dx, dy) > 1e-6) {
      const along = way ? dx * way[0] + dy * way[1] : 1;
      if (along < 0) {
        gone += Math.hypot(dx, dy);
        if (gone > TURN) {
          reversals++;
          way = [dx, dy];
          gone = 0;
        }
      } else {
        way = [dx, dy];
        gone = 0;
      }
    }
    copyPose(now, before);
  }
  return { speed, hand, reversals };
}

function leap({ timeline, poser, series, out, steps }: Watched, start: Px, end: Px) {
  const over = series.some(
    (y, i) => i > 0 && Math.min(series[i - 1]!, y) <= start && Math.max(series[i - 1]!, y) >= end,
  );
  if (!over) return;
  poseAt(timeline, poser, start - 1, before);
  poseAt(timeline, poser, end, now);
  out.peakStep = poser.moves ? stepBetween(before, now) : 0;
  out.peakOpacity = Math.abs(now.opacity - before.opacity);
  out.peakBlur = Math.abs(now.blur - before.blur);
  steps.push(out.peakStep);
}
