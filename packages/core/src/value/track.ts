/** Keyframes of one property become segments between numbers: progress → value. */
import { itemAt, lastItem } from '../assert/index.ts';
import { parseEasing } from './easing.ts';
import type { Ease } from './easing-definition.ts';
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
}

/** A pair that cannot be mixed shows its first value in the first half (CSS Values 4, §3). */
const flip = (from: string, to: string): Mixable => ({
  from: [0],
  to: [1],
  form: { write: (n, i) => (itemAt(n, i) < 0.5 ? from : to) },
});

export const keyframeOffset = (at: string): number => Number.parseFloat(at) / 100;

/**
 * Segments of a property over progress, sorted. Where no stop lies at or before 0, or at or after 1, `base` stands there: the
 * element's own value. Of several stops at one place the first ends the segment before, the last begins the next, as in the
 * browser. `place` gives the progress of a stop; those at range names may lie outside 0…1.
 */
export function splitSegments(
  property: string,
  keyframes: readonly Keyframe[],
  base: string,
  context: ValueContext,
  place: (at: string) => number = keyframeOffset,
): Segment[] {
  const stops = keyframes
    .map((k) => ({ offset: place(k.at), value: k.value || base, easing: k.easing ?? 'linear' }))
    .sort((a, b) => a.offset - b.offset);
  if (!stops.length || itemAt(stops, 0).offset > 0)
    stops.unshift({ offset: 0, value: base, easing: 'linear' });
  if (lastItem(stops).offset < 1) stops.push({ offset: 1, value: base, easing: 'linear' });
  const type = readFacts(
    property,
    keyframes.flatMap((k) => (k.value ? [k.value] : [])),
  )?.type;
  const segments: Segment[] = [];
  for (let i = 0; i + 1 < stops.length; i++) {
    const a = itemAt(stops, i);
    const b = itemAt(stops, i + 1);
    if (a.offset === b.offset) continue;
    const ease = parseEasing(a.easing);
    const mix = type?.pair(a.value, b.value, context) ?? flip(a.value, b.value);
    segments.push({ start: a.offset, end: b.offset, ease: ease.ok ? ease.value : (t) => t, ...mix });
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

export const segmentAt = (segments: readonly Segment[], progress: number): Segment =>
  segments.find((s) => progress < s.end) ?? lastItem(segments);

export type { Form };
export { decimal };
