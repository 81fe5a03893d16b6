import { framesInRange } from '../../gesture/index.ts';
import type { Trace } from '../../gesture/index.ts';
import type { Motion } from '../../motion/index.ts';
import { resolvePoint } from '../../timeline/index.ts';
import type { RangePoint } from '../../timeline/index.ts';
import type { Instance } from '../../motion/index.ts';
import type { Px } from '../../page/index.ts';
import { findRangePoint } from '../find-range-point.ts';
import { maxScrollFor } from '../finding.ts';
import type { CheckContext, CheckDefinition } from '../finding.ts';

/** px; less is no movement. */
const STILL = 1;

export const tooFewFrames: CheckDefinition = {
  id: 'too-few-frames',
  name: 'Too few frames',
  group: 'smoothness',
  why: 'With this gesture the motion is over before the eye can follow it.',
  checkMotion(instance, context, figures) {
    const { start, end } = instance.placed;
    const { timeline, gesture, clock, limits } = context;
    const max = maxScrollFor(instance, timeline);
    const low = Math.max(0, start);
    const high = Math.min(max, end);
    // Leaps leave out what lies between, and no range could be widened enough.
    if (gesture.leaps || end < 0 || start > max || max <= 0 || end <= start) return null;
    if (gesture.trace && !passes(gesture.trace, low, high)) return null;
    // What only fades is there at once then, and nobody sees it hop.
    const fades = figures !== null && figures.travel < STILL;
    const frames = framesInRange(gesture, { start, end }, max, clock);
    if (frames >= limits.framesInRange) return null;
    return {
      severity:
        frames >= limits.framesInRange / 2 ? (fades ? 'info' : 'warning') : fades ? 'warning' : 'error',
      at: (low + high) / 2,
      brief: frames === 1 ? 'only 1 frame' : `only ${frames} frames`,
      sentence: `With ${gesture.name.toLowerCase()} ${clock.pattern.length > 1 ? 'and missed frames' : `at ${clock.name}`} it is shown in ${frames} ${frames === 1 ? 'frame' : 'frames'}; your limit is ${limits.framesInRange}.`,
      fix: widened(instance, context),
    };
  },
};

/** A recorded hand may never have come by. */
const passes = ({ samples }: Trace, low: Px, high: Px): boolean =>
  samples.some((s) => s.y <= low) && samples.some((s) => s.y >= high);

/** The smallest widening about the centre that reaches the limit, pushed back onto the page where it would leave it. */
function widened(instance: Instance, context: CheckContext) {
  const { timeline, gesture, clock, limits } = context;
  const { start, end } = instance.placed;
  const max = maxScrollFor(instance, timeline);
  const centre = Math.min(max, Math.max(0, (start + end) / 2));
  for (let length = Math.max(20, Math.ceil((end - start) / 20) * 20); length <= max; length += 20) {
    const from = Math.min(Math.max(0, centre - length / 2), max - length);
    const motion = withSpan(instance, max, from, from + length);
    const placed = {
      start: resolved(motion.range.start, instance, max, 'start'),
      end: resolved(motion.range.end, instance, max, 'end'),
    };
    if (framesInRange(gesture, placed, max, clock) >= limits.framesInRange)
      return { label: `Widen it to ${length} px`, motions: [motion] };
  }
  return null;
}

function resolved(point: RangePoint, instance: Instance, max: Px, side: 'start' | 'end'): Px {
  const g = instance.placed.geometry;
  return g ? resolvePoint(point, g, side) : (Number.parseFloat(point as string) / 100) * max;
}

function withSpan(instance: Instance, max: Px, start: Px, end: Px): Motion {
  const { motion } = instance;
  return {
    ...motion,
    range: {
      start: findRangePoint(start, motion.range.start, instance, max, 'start'),
      end: findRangePoint(end, motion.range.end, instance, max, 'end'),
    },
  };
}
