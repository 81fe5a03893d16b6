/** Sampling: scroll offsets → progress and values, without allocating. */
import { placeOf } from '../timeline/index.ts';
import { factsOf, segmentsOf, valueAt } from '../value/index.ts';
import { contextOf } from './compile.ts';
import type { Take } from './compile.ts';

/** Before its range a motion has not yet taken a step that jumps at the start (Easing 2: the before flag). */
const BEFORE = -1e-9;

/**
 * Brings `take.progress`, `take.phase`, `take.segment` and `take.values` to the given scroll offsets (px, per scroller: block,
 * inline). An instance that stays before or after its range costs one comparison.
 */
export function sample(take: Take, offsets: ArrayLike<number>): void {
  const {
    start,
    end,
    channel,
    phase,
    progress,
    perPx,
    ease,
    straight,
    straightFrom,
    straightTo,
    from: numbers,
    delta,
    values,
  } = take;
  for (let i = 0; i < start.length; i++) {
    const s = offsets[channel[i]!]!;
    const from = start[i]!;
    if (s < from) {
      if (phase[i] === -1) continue;
      phase[i] = -1;
      progress[i] = 0;
    } else if (s >= end[i]! || perPx[i] === 0) {
      if (phase[i] === 1) continue;
      phase[i] = 1;
      progress[i] = 1;
    } else {
      phase[i] = 0;
      progress[i] = (s - from) * perPx[i]!;
    }
    let p = phase[i] === -1 ? BEFORE : progress[i]!;
    const shape = ease[i];
    if (shape) p = shape(p);
    const count = straight[i]!;
    if (count === 0) {
      writeTracks(take, i, p);
      continue;
    }
    const a = straightFrom[i]!;
    const b = straightTo[i]!;
    for (let j = 0; j < count; j++) values[b + j] = numbers[a + j]! + delta[a + j]! * p;
  }
}

/**
 * Brings one instance to a scroll offset of its own scroller; its phase, progress and values then stand in the take as after `sample`.
 */
export function sampleInstance(take: Take, i: number, s: number): void {
  const length = take.end[i]! - take.start[i]!;
  if (s < take.start[i]!) [take.phase[i], take.progress[i]] = [-1, 0];
  else if (s >= take.end[i]! || !(length > 0)) [take.phase[i], take.progress[i]] = [1, 1];
  else [take.phase[i], take.progress[i]] = [0, (s - take.start[i]!) / length];
  const p = take.phase[i] === -1 ? BEFORE : take.progress[i]!;
  writeTracks(take, i, take.ease[i]?.(p) ?? p);
}

function writeTracks(take: Take, instance: number, p: number): void {
  const {
    firstTrack,
    firstSegment,
    segmentStart,
    segmentScale,
    segmentEnd,
    segmentEase,
    slot,
    width,
    from,
    delta,
    trackSlot,
    values,
    segment,
  } = take;
  const last = firstTrack[instance + 1]!;
  for (let t = firstTrack[instance]!; t < last; t++) {
    let k = firstSegment[t]!;
    const lastSegment = firstSegment[t + 1]! - 1;
    while (k < lastSegment && p >= segmentEnd[k]!) k++;
    segment[t] = k;
    let u = (p - segmentStart[k]!) * segmentScale[k]!;
    const shape = segmentEase[k];
    if (shape) u = shape(u);
    const a = slot[k]!;
    const b = trackSlot[t]!;
    for (let j = width[k]! - 1; j >= 0; j--) values[b + j] = from[a + j]! + delta[a + j]! * u;
  }
}

/** Whether it shows its values rather than letting the element’s own through. */
export const inEffect = (take: Take, instance: number): boolean =>
  take.phase[instance] === 0 ||
  (take.phase[instance] === -1 && take.fillsBefore[instance] === 1) ||
  (take.phase[instance] === 1 && take.fillsAfter[instance] === 1);

/** CSS of a track at the last sampling. */
export function trackValue(take: Take, track: number): string {
  const form = take.tracks[track]!.segments[take.segment[track]! - take.firstSegment[track]!]!.form;
  return form.write(take.values, take.trackSlot[track]!);
}

/**
 * What an element's property shows at the last sampling (Web Animations 1, §5.4: effect stack). Writers that are in effect or
 * filling apply in the order of the document: one that replaces hides those below it, except where one of its ends is missing and it
 * mixes with what they show; one that adds goes on top. With none in effect the element keeps its own value (null).
 */
export function shownValue(take: Take, element: number, property: string): string | null {
  let shown: string | null = null;
  for (const t of take.writers.get(element)?.get(property) ?? []) {
    const { instance, open, base } = take.tracks[t]!;
    if (!inEffect(take, instance)) continue;
    if (take.instances[instance]!.motion.composite === 'add') shown = added(take, t, shown ?? base);
    else shown = shown !== null && open ? valueOver(take, t, shown) : trackValue(take, t);
  }
  return shown;
}

/** A neutral end adds nothing, so a track with missing ends mixes over a neutral value. */
function added(take: Take, track: number, below: string): string {
  const { instance, property, open } = take.tracks[track]!;
  const { motion, element } = take.instances[instance]!;
  const values = motion.keyframes[property]!.map((k) => k.value);
  const facts = factsOf(property, values);
  if (!facts?.type.add) return open ? valueOver(take, track, below) : trackValue(take, track);
  const over = open ? valueOver(take, track, neutral(property, facts.initial)) : trackValue(take, track);
  return facts.type.add(below, over, contextOf(take.layout, element));
}
/** What leaves a value as it is when it is added. */
const neutral = (property: string, initial: string): string => (/opacity$/.test(property) ? '0' : initial);

/** A track with missing ends over another value than the element's own. Rare, so it is worked out afresh. */
function valueOver(take: Take, track: number, below: string): string {
  const { instance, property } = take.tracks[track]!;
  const { motion, element, placed } = take.instances[instance]!;
  const progress = take.phase[instance] === -1 ? BEFORE : take.progress[instance]!;
  const shape = take.ease[instance];
  const segments = segmentsOf(
    property,
    motion.keyframes[property]!,
    below,
    contextOf(take.layout, element),
    (at) => placeOf(at, placed),
  );
  return valueAt(segments, shape ? shape(progress) : progress);
}
