/** How far and how evenly a motion goes with the scroll, whatever the gesture. */
import type { CompiledTimeline } from '../motion/index.ts';
import type { Px } from '../page/index.ts';
import { copyPose, newPose, poseAt, stepBetween } from './pose.ts';
import type { Poser } from './pose.ts';

export interface Gain {
  /** px that the corner which goes furthest moves from end to end of the range */
  travel: Px;
  /** px that it moves per px of scroll, at most; and that as a multiple of its mean */
  gain: number;
  unevenness: number;
}

/** Over less scroll than this nothing can be said: offsets are whole px. */
const MIN_SCROLL = 2;
const GAIN_PLACES = 96;

/** Px moved per px of scroll, over even places from one offset to another. */
export function computeGain(timeline: CompiledTimeline, poser: Poser, from: Px, to: Px): Gain {
  const out: Gain = { travel: 0, gain: 0, unevenness: 1 };
  if (!poser.moves || to - from < MIN_SCROLL) return out;
  const step = (to - from) / GAIN_PLACES;
  const gains: number[] = [];
  const [before, now, origin] = [newPose(), newPose(), newPose()];
  poseAt(timeline, poser, from, before);
  copyPose(before, origin);
  for (let i = 1; i <= GAIN_PLACES; i++) {
    poseAt(timeline, poser, from + i * step * (i === GAIN_PLACES ? 0.999999 : 1), now);
    gains.push(stepBetween(before, now) / step);
    out.travel = Math.max(out.travel, stepBetween(origin, now));
    copyPose(now, before);
  }
  out.gain = Math.max(...gains);
  // A rest is no unevenness: only stretches that move count.
  const moving = gains.filter((v) => v > out.gain / 50);
  const mean = moving.reduce((s, v) => s + v, 0) / Math.max(1, moving.length);
  out.unevenness = mean > 0 ? out.gain / mean : 1;
  return out;
}
