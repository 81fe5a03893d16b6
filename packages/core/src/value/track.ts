/** Keyframes of one property become segments between numbers: progress → value. */
import { itemAt, lastItem } from '../assert/index.ts';
import { parseEasing } from './easing.ts';
import type { Ease } from './easing-definition.ts';
import { howItMixes, inNumbers, isUnclearBetween, wordsMix } from './mixing.ts';
import { readFacts } from './property.ts';
import { decimal } from './value-type.ts';
import type { Form, Mixable, ValueContext } from './value-type.ts';

/** One stop as the document stores it; `at` is a CSS percentage, `easing` leads to the next stop. An empty value is the element’s own. */
export interface Keyframe {
  at: string;
  value: string;
  easing?: string | undefined;
}

export interface Segment extends Mixable {
  start: number;
  end: number;
  ease: Ease;
  /** false where what the browser shows in it is not known here: `form` then only draws it, by its two ends */
  predicted: boolean;
}

/** A pair that cannot be mixed shows its first value in the first half (CSS Values 4, §3). */
const flip = (from: string, to: string): Mixable => ({
  from: [0],
  to: [1],
  form: { write: (n, i) => (itemAt(n, i) < 0.5 ? from : to) },
});

/** How two values of a property become each other. */
function mixValues(
  property: string,
  values: readonly string[],
  [a, b]: readonly [string, string],
  context: ValueContext,
): Mixable & { predicted: boolean } {
  const type = readFacts(property, values)?.type ?? null;
  const how = howItMixes(property);
  const [from, to] = [a, b].map((css) => context.computed?.(property, css) ?? css) as [string, string];
  const mix = (type ?? how.type)?.pair(inNumbers(property, from), inNumbers(property, to), context);
  const isUnclear = isUnclearBetween(property, [a, b], [from, to]);
  if (mix) return { ...mix, predicted: !mix.unclear && !isUnclear };
  // A type of its own knows which of its values do not mix; of what it does not read nothing is said.
  const flips =
    how.discrete ||
    (type !== null && type.accepts(from) && type.accepts(to)) ||
    (how.type !== null && !wordsMix(property) && (isWord(property, from) || isWord(property, to)));
  return { ...flip(from, to), predicted: flips && !isUnclear };
}

/** A word by itself stands for no number where it is not said that it does, and flips. */
const isWord = (property: string, css: string): boolean =>
  /^[a-z][a-z-]*$/i.test(css.trim()) && inNumbers(property, css) === css;

export const keyframeOffset = (at: string): number => Number.parseFloat(at) / 100;

/**
 * Segments of a property over progress, sorted. Where no stop lies at or before 0, or at or after 1, `base` stands there: the
 * element's own value, null where it is not known. Of several stops at one place the first ends the segment before, the last begins the next, as in the
 * browser. `place` gives the progress of a stop; those at range names may lie outside 0…1.
 */
export function splitSegments(
  property: string,
  keyframes: readonly Keyframe[],
  base: string | null,
  context: ValueContext,
  place: (at: string) => number = keyframeOffset,
): Segment[] {
  const values = keyframes.flatMap((k) => (k.value ? [k.value] : []));
  const own = {
    value: base ?? readFacts(property, values)?.initial ?? '',
    known: base !== null,
    easing: 'linear',
  };
  const stops = keyframes
    .map(({ at, value, easing = 'linear' }) =>
      value ? { offset: place(at), value, known: true, easing } : { ...own, offset: place(at), easing },
    )
    .sort((a, b) => a.offset - b.offset);
  if (!stops.length || itemAt(stops, 0).offset > 0) stops.unshift({ ...own, offset: 0 });
  if (lastItem(stops).offset < 1) stops.push({ ...own, offset: 1 });
  const segments: Segment[] = [];
  for (let i = 0; i + 1 < stops.length; i++) {
    const a = itemAt(stops, i);
    const b = itemAt(stops, i + 1);
    if (a.offset === b.offset) continue;
    const ease = parseEasing(a.easing);
    const mix = mixValues(property, values, [a.value, b.value], context);
    segments.push({
      start: a.offset,
      end: b.offset,
      ease: ease.ok ? ease.value : (t) => t,
      ...mix,
      predicted: mix.predicted && a.known && b.known,
    });
  }
  return segments;
}

/** The value at a progress, as CSS. For drawing and checking; the compiled take does the same without allocating. */
export function valueAt(segments: readonly Segment[], progress: number): string {
  const s = segmentAt(segments, progress);
  const t = s.ease((progress - s.start) / (s.end - s.start));
  return s.form.write(
    s.from.map((from, i) => from + (itemAt(s.to, i) - from) * t),
    0,
  );
}

/** Whether all of it is known; where it is not, what stands for it is a drawing and no value. */
export const isPredicted = (segments: readonly Segment[]): boolean => segments.every((s) => s.predicted);

export const segmentAt = (segments: readonly Segment[], progress: number): Segment =>
  segments.find((s) => progress < s.end) ?? lastItem(segments);

export type { Form };
export { decimal };
