/** Sampling: scroll offsets → progress and values, without allocating. */
import { findPlace } from '../timeline/index.ts';
import { isPredicted, readFacts, splitSegments, valueAt } from '../value/index.ts';
import type { ValueType } from '../value/index.ts';
import { makeContext } from './compile.ts';
import { isSteady } from './steady.ts';
import type { CompiledTimeline } from './compile.ts';

/** Before its range a motion has not yet taken a step that jumps at the start (Easing 2: the before flag). */
const BEFORE = -1e-9;

/**
 * Brings `take.progress`, `take.phase`, `take.segment` and `take.values` to the given scroll offsets (px, per scroller: block,
 * inline). An instance that stays before or after its range costs one comparison.
 */
export function sample(timeline: CompiledTimeline, offsets: ArrayLike<number>): void {
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
  } = timeline;
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
      writeTracks(timeline, i, p);
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
export function sampleInstance(timeline: CompiledTimeline, i: number, s: number): void {
  const length = timeline.end[i]! - timeline.start[i]!;
  if (s < timeline.start[i]!) [timeline.phase[i], timeline.progress[i]] = [-1, 0];
  else if (s >= timeline.end[i]! || !(length > 0)) [timeline.phase[i], timeline.progress[i]] = [1, 1];
  else [timeline.phase[i], timeline.progress[i]] = [0, (s - timeline.start[i]!) / length];
  const p = timeline.phase[i] === -1 ? BEFORE : timeline.progress[i]!;
  writeTracks(timeline, i, timeline.ease[i]?.(p) ?? p);
}

function writeTracks(timeline: CompiledTimeline, instance: number, p: number): void {
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
  } = timeline;
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
export const inEffect = (timeline: CompiledTimeline, instance: number): boolean =>
  timeline.phase[instance] === 0 ||
  (timeline.phase[instance] === -1 && timeline.fillsBefore[instance] === 1) ||
  (timeline.phase[instance] === 1 && timeline.fillsAfter[instance] === 1);

/** CSS of a track at the last sampling. */
export function trackValue(timeline: CompiledTimeline, track: number): string {
  const form =
    timeline.tracks[track]!.segments[timeline.segment[track]! - timeline.firstSegment[track]!]!.form;
  return form.write(timeline.values, timeline.trackSlot[track]!);
}

/**
 * What an element's property shows at the last sampling (Web Animations 1, §5.4: effect stack). Writers that are in effect or
 * filling apply in the order of the document: one that replaces hides those below it, except where one of its ends is missing and it
 * mixes with what they show; one that adds goes on top. With none in effect the element keeps its own value (null).
 */
export function shownValue(timeline: CompiledTimeline, element: number, property: string): string | null {
  let shown: string | null = null;
  for (const t of timeline.writers.get(element)?.get(property) ?? []) {
    const { instance, open, base } = timeline.tracks[t]!;
    if (!inEffect(timeline, instance)) continue;
    if (timeline.instances[instance]!.motion.composite !== 'replace')
      shown = added(timeline, t, shown ?? base);
    else shown = shown !== null && open ? valueOver(timeline, t, shown) : trackValue(timeline, t);
  }
  return shown;
}

/** Whether `shownValue` says what the browser shows: everything that writes the property there is known, and the page itself does not. */
export function isKnown(timeline: CompiledTimeline, element: number, property: string): boolean {
  const writers = timeline.writers.get(element)?.get(property) ?? [];
  const isOthers = timeline.layout.own?.some((o) => o.element === element && o.properties.includes(property));
  if (isOthers) return false;
  return writers.every(
    (t) => isPredicted(timeline.tracks[t]!.segments) && isSteady(timeline, t) && canAdd(timeline, t),
  );
}

/** What a motion does to the values below it; null where nothing is known of that. */
function findAdding(timeline: CompiledTimeline, track: number): NonNullable<ValueType['add']> | null {
  const { instance, property } = timeline.tracks[track]!;
  const { motion } = timeline.instances[instance]!;
  const type = readFacts(
    property,
    motion.keyframes[property]!.map((k) => k.value),
  )?.type;
  return (motion.composite === 'accumulate' ? type?.accumulate : undefined) ?? type?.add ?? null;
}

const canAdd = (timeline: CompiledTimeline, track: number): boolean =>
  timeline.instances[timeline.tracks[track]!.instance]!.motion.composite === 'replace' ||
  findAdding(timeline, track) !== null;

/** A neutral end adds nothing, so a track with missing ends mixes over a neutral value. */
function added(timeline: CompiledTimeline, track: number, below: string): string {
  const { instance, property, open } = timeline.tracks[track]!;
  const { motion, element } = timeline.instances[instance]!;
  const values = motion.keyframes[property]!.map((k) => k.value);
  const facts = readFacts(property, values);
  const adding = findAdding(timeline, track);
  if (!facts || !adding) return open ? valueOver(timeline, track, below) : trackValue(timeline, track);
  const over = open
    ? valueOver(timeline, track, neutral(property, facts.initial))
    : trackValue(timeline, track);
  return adding(below, over, makeContext(timeline.layout, element));
}
/** What leaves a value as it is when it is added. */
const neutral = (property: string, initial: string): string => (/opacity$/.test(property) ? '0' : initial);

/** A track with missing ends over another value than the element's own. Rare, so it is worked out afresh. */
function valueOver(timeline: CompiledTimeline, track: number, below: string): string {
  const { instance, property } = timeline.tracks[track]!;
  const { motion, element, placed } = timeline.instances[instance]!;
  const progress = timeline.phase[instance] === -1 ? BEFORE : timeline.progress[instance]!;
  const shape = timeline.ease[instance];
  const segments = splitSegments(
    property,
    motion.keyframes[property]!,
    below,
    makeContext(timeline.layout, element),
    (at) => findPlace(at, placed),
  );
  return valueAt(segments, shape ? shape(progress) : progress);
}
