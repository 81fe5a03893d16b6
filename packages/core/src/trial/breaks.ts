/** Where what is shown, or its speed, changes at once. */
import { itemAt } from '../assert/index.ts';
import type { CompiledTimeline } from '../motion/index.ts';
import type { Px } from '../page/index.ts';
import { findPlace } from '../timeline/index.ts';
import { newPose, poseAt, stepBetween } from './pose.ts';
import type { Pose, Poser } from './pose.ts';

/** A place where values, or their speed, change at once. */
export interface Break {
  /** scroll offset */
  at: Px;
  /** of jumps px; of kinks px per px of scroll */
  by: number;
  /** of jumps: change of opacity */
  opacity: number;
}

/** How near to a place both of its sides are looked at, and over how much scroll a speed is taken. */
const SIDE: Px = 1e-3;
const REACH: Px = 1;

/** Jumps and kinks at the ends, at keyframes, and where an easing steps; none of them outside of what can be scrolled. */
export function listBreaks(
  timeline: CompiledTimeline,
  poser: Poser,
  max: Px,
): { jumps: Break[]; kinks: Break[] } {
  const { instance } = poser;
  const { motion, placed } = itemAt(timeline.instances, instance);
  const start = itemAt(timeline.start, instance);
  const end = itemAt(timeline.end, instance);
  const places = new Set([start, end]);
  if (end > start && timeline.ease[instance] === null)
    for (const list of Object.values(motion.keyframes))
      for (const k of list) {
        const at = findPlace(k.at, placed);
        if (at > 0 && at < 1) places.add(start + at * (end - start));
      }
  for (const s of stepsWithin(timeline, poser, start, end)) places.add(s);
  const jumps: Break[] = [];
  const kinks: Break[] = [];
  const a = newPose();
  const b = newPose();
  const far = newPose();
  for (const s of [...places].sort((x, y) => x - y)) {
    // An easing that steps at an end is found twice.
    if (s <= 0 || s >= max || s - (jumps.at(-1)?.at ?? -Infinity) < 10 * SIDE) continue;
    poseAt(timeline, poser, s - SIDE, a);
    poseAt(timeline, poser, s + SIDE, b);
    const by = poser.moves ? stepBetween(a, b) : 0;
    const opacity = Math.abs(b.opacity - a.opacity);
    if (by > 0.5 || opacity > 0.02) {
      jumps.push({ at: s, by, opacity });
      continue;
    }
    if (!poser.moves) continue;
    poseAt(timeline, poser, s - SIDE - REACH, far);
    const left = velocity(far, a);
    poseAt(timeline, poser, s + SIDE + REACH, far);
    const right = velocity(b, far);
    const kink = Math.hypot(right[0] - left[0], right[1] - left[1]);
    if (kink > 0.05) kinks.push({ at: s, by: kink, opacity: 0 });
  }
  return { jumps, kinks };
}

/** Of the corner that moves most, px per px of scroll. */
function velocity(a: Pose, b: Pose): [number, number] {
  let best: [number, number] = [0, 0];
  for (let i = 0; i < 8; i += 2) {
    const v: [number, number] = [
      (itemAt(b.corners, i) - itemAt(a.corners, i)) / REACH,
      (itemAt(b.corners, i + 1) - itemAt(a.corners, i + 1)) / REACH,
    ];
    if (Math.hypot(...v) > Math.hypot(...best)) best = v;
  }
  return best;
}

const SCAN = 48;

/** Places where an easing that has steps changes at once, found by halving. */
function stepsWithin(timeline: CompiledTimeline, poser: Poser, start: Px, end: Px): Px[] {
  const { motion } = itemAt(timeline.instances, poser.instance);
  const texts = [
    motion.easing,
    ...Object.values(motion.keyframes).flatMap((l) => l.map((k) => k.easing ?? '')),
  ];
  if (!texts.some((t) => /step/.test(t)) || !(end > start)) return [];
  const out: Px[] = [];
  const at = (s: Px, into: Pose) => poseAt(timeline, poser, s, into);
  const far = (a: Pose, b: Pose) => stepBetween(a, b) + 100 * Math.abs(b.opacity - a.opacity);
  for (let i = 0; i < SCAN; i++) {
    let low = start + (i * (end - start)) / SCAN;
    let high = start + ((i + 1) * (end - start)) / SCAN;
    const a = at(low, newPose());
    const b = at(high, newPose());
    if (far(a, b) < 0.5) continue;
    while (high - low > SIDE) {
      const middle = (low + high) / 2;
      const m = at(middle, newPose());
      if (far(a, m) > 0.25) high = middle;
      else low = middle;
    }
    if (far(at(low, newPose()), at(high, newPose())) > 0.25) out.push((low + high) / 2);
  }
  return out;
}
