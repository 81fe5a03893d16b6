/** A take is compiled once into flat typed arrays and then sampled often (see sample.ts). */
import { itemAt, present } from '../assert/index.ts';
import { computedValue, findMatches, ownValue, withPins } from '../page/index.ts';
import type { Layout, Axis } from '../page/index.ts';
import { isScrubbed } from '../drivers/index.ts';
import { findPlace } from '../timeline/index.ts';
import type { Placed } from '../timeline/index.ts';
import { readFacts, isLinear, parseEasing, splitSegments } from '../value/index.ts';
import type { Ease, Keyframe, Segment, ValueContext } from '../value/index.ts';
import type { Motion, MotionDocument } from './document.ts';
import { listPlaces } from './place.ts';
import { unrolledMotion } from './repeat.ts';

/** One motion on one element. */
export interface Instance {
  motion: Motion;
  element: number;
  placed: Placed;
}

/** One property of one instance; `segments` keeps the forms for writing values as CSS. */
export interface Track {
  instance: number;
  property: string;
  base: string;
  /** an end is missing, so what lies below shows through there: the element’s own value, or an earlier motion’s */
  open: boolean;
  segments: Segment[];
}

export interface CompiledTimeline {
  layout: Layout;
  instances: Instance[];
  tracks: Track[];
  /** motions or single targets that could not be placed, with the reason */
  unplaced: { motion: string; element: number | null; reason: string }[];

  /** per instance: range in px, 1 ÷ length (0 for a jump), which offset it listens to, its tracks, whole-range easing */
  start: Float64Array;
  end: Float64Array;
  perPx: Float64Array;
  channel: Uint16Array;
  firstTrack: Uint32Array;
  ease: (Ease | null)[];
  /** per instance, 1 where values hold before or after the range */
  fillsBefore: Uint8Array;
  fillsAfter: Uint8Array;

  /**
   * per instance: how many numbers it has if every track is one straight segment, 0 otherwise; where they begin in `from` and in
   * `values`. Most motions are like that, and need no search for a segment.
   */
  straight: Uint16Array;
  straightFrom: Uint32Array;
  straightTo: Uint32Array;

  /** per track: its segments; per segment: bounds, easing (null = linear), numbers */
  firstSegment: Uint32Array;
  segmentStart: Float64Array;
  segmentScale: Float64Array;
  segmentEnd: Float64Array;
  segmentEase: (Ease | null)[];
  slot: Uint32Array;
  width: Uint8Array;
  from: Float64Array;
  delta: Float64Array;
  trackSlot: Uint32Array;

  /** results of the last sampling: progress per instance, −1 before, 0 in, 1 after; segment and numbers per track */
  progress: Float64Array;
  phase: Int8Array;
  segment: Uint32Array;
  values: Float64Array;

  /** tracks that write the same property of the same element, in the order of the document */
  writers: Map<number, Map<string, number[]>>;
}

/** Offsets are given per scroller and axis: block then inline. */
export const readChannel = (scroller: number, axis: Axis): number =>
  scroller * 2 + (axis === 'inline' ? 1 : 0);

export const makeContext = (layout: Layout, element: number): ValueContext => {
  const e = itemAt(layout.elements, element);
  return {
    box: e.box,
    viewport: layout.viewport,
    container: e.container,
    em: e.fontSize ?? 16,
    rem: layout.page.rem ?? 16,
    color: e.base?.color ?? 'black',
    computed: (property, value) => computedValue(layout, element, property, value),
  };
};

const hasBothEnds = (keyframes: readonly Keyframe[], place: (at: string) => number): boolean =>
  keyframes.some((k) => place(k.at) <= 0 && k.value !== '') && keyframes.some((k) => place(k.at) >= 1);

interface Part {
  instances: Instance[];
  /** per instance its tracks, still without their number */
  tracks: Omit<Track, 'instance'>[][];
  unplaced: CompiledTimeline['unplaced'];
}

/** Parts stay valid as long as neither motion nor layout changes: during a drag all but one motion are the same objects. */
const parts = new WeakMap<Layout, WeakMap<Motion, Part>>();

function findPart(motion: Motion, layout: Layout): Part {
  const known = parts.get(layout) ?? present(parts.set(layout, new WeakMap()).get(layout));
  const part = known.get(motion) ?? makePart(motion, layout);
  known.set(motion, part);
  return part;
}

function makePart(motion: Motion, layout: Layout): Part {
  const part: Part = { instances: [], tracks: [], unplaced: [] };
  const targets = findMatches(layout, motion.targets.selector);
  if (targets.length === 0)
    part.unplaced.push({
      motion: motion.id,
      element: null,
      reason: `no element matches ${motion.targets.selector}`,
    });
  for (const { element, placed } of listPlaces(motion, layout)) {
    if ('reason' in placed) {
      part.unplaced.push({ motion: motion.id, element, reason: placed.reason });
      continue;
    }
    part.instances.push({ motion, element, placed });
    part.tracks.push(
      Object.entries(motion.keyframes).map(([property, keyframes]) => {
        const values = keyframes.map((k) => k.value);
        const own = ownValue(layout, element, property);
        const place = (at: string) => findPlace(at, placed);
        return {
          property,
          base: own ?? readFacts(property, values)?.initial ?? '',
          open: !hasBothEnds(keyframes, place),
          segments: splitSegments(property, keyframes, own, makeContext(layout, element), place),
        };
      }),
    );
  }
  return part;
}

/** Compiles the motions that are on. Elements come from `layout.matches`; what cannot be placed is listed, never dropped silently. */
export function compileTimeline(document: MotionDocument, measured: Layout): CompiledTimeline {
  const layout = withPins(measured, document.pins);
  const instances: Instance[] = [];
  const tracks: Track[] = [];
  const unplaced: CompiledTimeline['unplaced'] = [];
  for (const motion of document.motions) {
    // What time moves has no value at a scroll offset.
    if (!motion.on || !isScrubbed(motion.driver)) continue;
    const part = findPart(unrolledMotion(motion), layout);
    part.instances.forEach((instance, i) => {
      instances.push(instance);
      for (const t of itemAt(part.tracks, i)) tracks.push({ instance: instances.length - 1, ...t });
    });
    unplaced.push(...part.unplaced);
  }
  return { layout, instances, tracks, unplaced, ...flatten(instances, tracks) };
}

const isStraight = ({ segments: [first, ...rest] }: Track): boolean =>
  rest.length === 0 &&
  present(first).start === 0 &&
  present(first).end === 1 &&
  isLinear(present(first).ease);
const curved = (ease: Ease): Ease | null => (isLinear(ease) ? null : ease);

function flatten(instances: Instance[], tracks: Track[]) {
  const n = instances.length;
  const segments = tracks.flatMap((t) => t.segments);
  const numbers = segments.reduce((sum, s) => sum + s.from.length, 0);
  const out = {
    start: Float64Array.from(instances, (i) => i.placed.start),
    end: Float64Array.from(instances, (i) => i.placed.end),
    perPx: Float64Array.from(instances, ({ placed: { start, end } }) =>
      end > start ? 1 / (end - start) : 0,
    ),
    channel: Uint16Array.from(instances, (i) => readChannel(i.placed.scroller, i.placed.axis)),
    firstTrack: new Uint32Array(n + 1),
    ease: instances.map(({ motion }) => {
      const parsed = parseEasing(motion.easing);
      return parsed.ok ? curved(parsed.value) : null;
    }),
    fillsBefore: Uint8Array.from(instances, ({ motion: { fill } }) =>
      Number(fill === 'both' || fill === 'backwards'),
    ),
    fillsAfter: Uint8Array.from(instances, ({ motion: { fill } }) =>
      Number(fill === 'both' || fill === 'forwards'),
    ),
    straight: new Uint16Array(n),
    straightFrom: new Uint32Array(n),
    straightTo: new Uint32Array(n),
    firstSegment: new Uint32Array(tracks.length + 1),
    segmentStart: Float64Array.from(segments, (s) => s.start),
    segmentScale: Float64Array.from(segments, (s) => 1 / (s.end - s.start)),
    segmentEnd: Float64Array.from(segments, (s) => s.end),
    segmentEase: segments.map((s) => curved(s.ease)),
    slot: new Uint32Array(segments.length),
    width: Uint8Array.from(segments, (s) => s.from.length),
    from: new Float64Array(numbers),
    delta: new Float64Array(numbers),
    trackSlot: new Uint32Array(tracks.length + 1),
    progress: new Float64Array(n),
    phase: new Int8Array(n).fill(2),
    segment: new Uint32Array(tracks.length),
    values: new Float64Array(0),
    writers: new Map<number, Map<string, number[]>>(),
  };
  let segment = 0;
  let number = 0;
  let room = 0;
  tracks.forEach((track, t) => {
    out.firstTrack[track.instance + 1] = t + 1;
    out.firstSegment[t] = segment;
    out.trackSlot[t] = room;
    room += Math.max(...track.segments.map((s) => s.from.length));
    for (const s of track.segments) {
      out.slot[segment++] = number;
      s.from.forEach((from, i) => {
        out.from[number] = from;
        out.delta[number++] = itemAt(s.to, i) - from;
      });
    }
    const element = itemAt(instances, track.instance).element;
    const byProperty = out.writers.get(element) ?? present(out.writers.set(element, new Map()).get(element));
    byProperty.set(track.property, [...(byProperty.get(track.property) ?? []), t]);
  });
  out.firstSegment[tracks.length] = segment;
  out.trackSlot[tracks.length] = room;
  for (let i = 1; i <= n; i++)
    out.firstTrack[i] = Math.max(itemAt(out.firstTrack, i), itemAt(out.firstTrack, i - 1));
  for (let t = 0; t < tracks.length; t++) out.segment[t] = itemAt(out.firstSegment, t);
  for (let i = 0; i < n; i++) {
    const first = itemAt(out.firstTrack, i);
    const own = tracks.slice(first, itemAt(out.firstTrack, i + 1));
    if (own.length === 0 || !own.every(isStraight)) continue;
    out.straight[i] = own.reduce((sum, t) => sum + itemAt(t.segments, 0).from.length, 0);
    out.straightFrom[i] = itemAt(out.slot, itemAt(out.firstSegment, first));
    out.straightTo[i] = itemAt(out.trackSlot, first);
  }
  out.values = new Float64Array(room);
  return out;
}
