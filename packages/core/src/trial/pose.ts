/** Where an element stands by one motion: its full transform, opacity and blur at the last sampling of that instance. */
import { makeContext, inEffect, sampleInstance } from '../motion/index.ts';
import type { CompiledTimeline } from '../motion/index.ts';
import type { Px } from '../page/index.ts';
import { readFacts, IDENTITY, multiply } from '../value/index.ts';
import type { Matrix } from '../value/index.ts';

/** In the order in which the browser applies them (CSS Transforms 2, §6). */
const TRANSFORMS = ['translate', 'rotate', 'scale', 'transform'] as const;

export interface Pose {
  /** displacement of the four corners of the border box from where they lie, px on the screen: x, y, x, y … */
  corners: Float64Array;
  opacity: number;
  blur: number;
}
export const newPose = (): Pose => ({ corners: new Float64Array(8), opacity: 1, blur: 0 });

/** What never changes of an instance: which tracks move it, and what the element’s other transforms are. */
export interface Poser {
  instance: number;
  /** by property of TRANSFORMS: a track, or a fixed matrix */
  steps: { track: number; fixed: Matrix | null }[];
  opacity: number;
  filter: number;
  /** own values, where the motion does not fill */
  base: { steps: (Matrix | null)[]; opacity: number };
  width: number;
  height: number;
  perspective: { distance: number; x: number; y: number } | null;
  moves: boolean;
}

const toMatrix = (
  property: string,
  css: string | undefined,
  timeline: CompiledTimeline,
  element: number,
): Matrix | null => {
  if (css === undefined || css === 'none') return null;
  const pair = readFacts(property, [css])?.type.pair(css, css, makeContext(timeline.layout, element));
  return pair?.form.matrix?.(pair.from, 0) ?? null;
};

/** `perspective`: of the element’s parent, px, for those whose motions turn in space. */
export function makePoser(
  timeline: CompiledTimeline,
  instance: number,
  perspective: Poser['perspective'] = null,
): Poser {
  const { element } = timeline.instances[instance]!;
  const facts = timeline.layout.elements[element]!;
  const tracks = new Map<string, number>();
  for (let t = timeline.firstTrack[instance]!; t < timeline.firstTrack[instance + 1]!; t++)
    tracks.set(timeline.tracks[t]!.property, t);
  const base = TRANSFORMS.map((p) => toMatrix(p, facts.base?.[p], timeline, element));
  return {
    instance,
    steps: TRANSFORMS.map((p, i) => ({ track: tracks.get(p) ?? -1, fixed: base[i]! })),
    opacity: tracks.get('opacity') ?? -1,
    filter: tracks.get('filter') ?? -1,
    base: { steps: base, opacity: Number.parseFloat(facts.base?.opacity ?? '1') },
    width: facts.box.width,
    height: facts.box.height,
    perspective,
    moves: TRANSFORMS.some((p) => tracks.has(p)),
  };
}

const numbersAt = (timeline: CompiledTimeline, track: number) => {
  const form =
    timeline.tracks[track]!.segments[timeline.segment[track]! - timeline.firstSegment[track]!]!.form;
  return { form, at: timeline.trackSlot[track]! };
};

/** Reads the pose of an instance that has just been sampled. */
export function readPose(timeline: CompiledTimeline, p: Poser, out: Pose): Pose {
  const holds = inEffect(timeline, p.instance);
  out.opacity = holds && p.opacity >= 0 ? timeline.values[timeline.trackSlot[p.opacity]!]! : p.base.opacity;
  out.blur = 0;
  if (holds && p.filter >= 0) {
    const { form, at } = numbersAt(timeline, p.filter);
    out.blur = form.blur?.(timeline.values, at) ?? 0;
  }
  if (!p.moves) return out;
  let m: Matrix | null = null;
  for (let i = 0; i < p.steps.length; i++) {
    const { track, fixed } = p.steps[i]!;
    let step = fixed;
    if (holds && track >= 0) {
      const { form, at } = numbersAt(timeline, track);
      step = form.matrix?.(timeline.values, at) ?? null;
    }
    if (step) m = m ? multiply(m, step) : step;
  }
  setCorners(m ?? IDENTITY, p, out.corners);
  return out;
}

/** Brings the instance to a scroll offset and reads its pose there. */
export function poseAt(timeline: CompiledTimeline, p: Poser, s: Px, into: Pose): Pose {
  sampleInstance(timeline, p.instance, s);
  return readPose(timeline, p, into);
}

/** About the middle of the box, which is where `transform-origin` is unless the page says otherwise. */
function setCorners(m: Matrix, p: Poser, out: Float64Array): void {
  for (let c = 0; c < 4; c++) {
    const x = (c % 2 ? p.width : -p.width) / 2;
    const y = (c < 2 ? -p.height : p.height) / 2;
    const w = m[3]! * x + m[7]! * y + m[15]! || 1e-9;
    let px = (m[0]! * x + m[4]! * y + m[12]!) / w;
    let py = (m[1]! * x + m[5]! * y + m[13]!) / w;
    if (p.perspective) {
      const z = (m[2]! * x + m[6]! * y + m[14]!) / w;
      // Nothing is drawn behind the eye; just before it things are as large as can be.
      const k = p.perspective.distance / Math.max(1, p.perspective.distance - z);
      px = p.perspective.x + (px - p.perspective.x) * k;
      py = p.perspective.y + (py - p.perspective.y) * k;
    }
    out[c * 2] = px - x;
    out[c * 2 + 1] = py - y;
  }
}

/** The largest way of a corner between two poses, px. */
export function stepBetween(a: Pose, b: Pose): number {
  let most = 0;
  for (let i = 0; i < 8; i += 2)
    most = Math.max(most, Math.hypot(b.corners[i]! - a.corners[i]!, b.corners[i + 1]! - a.corners[i + 1]!));
  return most;
}

export function copyPose(from: Pose, to: Pose): void {
  to.corners.set(from.corners);
  to.opacity = from.opacity;
  to.blur = from.blur;
}
