/** Value curves of a motion, and editing their keyframes. */
import {
  isPredicted,
  keyframeOffset,
  makeContext,
  ownValue,
  parseEasing,
  percent,
  segmentAt,
  splitSegments,
  valueAt,
  itemAt,
} from '@lyvek/core';
import type { Keyframe, Layout, Motion, Segment } from '@lyvek/core';

export interface Curve {
  property: string;
  /** which of the value's numbers is drawn: the one that changes most */
  number: number;
  name: string;
  segments: Segment[];
  low: number;
  high: number;
  keyframes: readonly Keyframe[];
  /** easing over the whole range */
  whole: (t: number) => number;
}

const AXES: Record<string, readonly string[]> = { translate: ['x', 'y', 'z'], scale: ['', 'y', 'z'] };

export function computeCurves(motion: Motion, element: number, layout: Layout): Curve[] {
  const context = makeContext(layout, element);
  const whole = parseEasing(motion.easing);
  return Object.entries(motion.keyframes).map(([property, keyframes]) => {
    const segments = splitSegments(property, keyframes, ownValue(layout, element, property), context);
    const width = Math.min(...segments.map((s) => s.from.length));
    const spread = Array.from({ length: width }, (_, k) => {
      const all = segments.flatMap((s) => [itemAt(s.from, k), itemAt(s.to, k)]);
      return { low: Math.min(...all), high: Math.max(...all) };
    });
    const number = spread.reduce(
      (best, s, k) => (s.high - s.low > itemAt(spread, best).high - itemAt(spread, best).low ? k : best),
      0,
    );
    const axis = AXES[property]?.[number];
    return withSwing({
      property,
      number,
      name: axis ? `${property} ${axis}` : property,
      segments,
      ...itemAt(spread, number),
      keyframes,
      whole: whole.ok ? whole.value : (t) => t,
    });
  });
}

const SAMPLES = 60;

/** With room for what an easing makes swing over the values of the keyframes. */
function withSwing(c: Curve): Curve {
  const all = Array.from({ length: SAMPLES + 1 }, (_, i) => numberAt(c, i / SAMPLES));
  return { ...c, low: Math.min(c.low, ...all), high: Math.max(c.high, ...all) };
}

/** The drawn number at a progress of the range. */
export function numberAt(c: Curve, progress: number): number {
  const p = c.whole(progress);
  const s = segmentAt(c.segments, p);
  const t = s.ease((p - s.start) / (s.end - s.start));
  return itemAt(s.from, c.number) + (itemAt(s.to, c.number) - itemAt(s.from, c.number)) * t;
}

/** Share of the range at which a keyframe stands; a place at a range name counts by its order. */
export const toShare = (keyframe: Keyframe): number => keyframeOffset(keyframe.at);

/** Progress at which the drawn curve reaches a keyframe: where the easing over the whole range first comes to its share. */
export function keyframeProgress(c: Curve, share: number): number {
  // The ends stand at the ends, however often the easing passes them on its way.
  if (share <= 0 || share >= 1) return Math.min(1, Math.max(0, share));
  if (c.whole(0.37) === 0.37 && c.whole(0.81) === 0.81) return share;
  let [low, high] = [0, 1];
  const STEPS = 400;
  for (let i = 1; i <= STEPS; i++)
    if (c.whole(i / STEPS) >= share) {
      [low, high] = [(i - 1) / STEPS, i / STEPS];
      break;
    }
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (c.whole(middle) < share) low = middle;
    else high = middle;
  }
  return high;
}

export const cssAt = (c: Curve, progress: number): string => valueAt(c.segments, c.whole(progress));

/** Whether the browser shows what the curve says. */
export const isKnownCurve = (c: Curve): boolean => isPredicted(c.segments);

export const sortKeyframes = (keyframes: readonly Keyframe[]): Keyframe[] =>
  [...keyframes].sort((a, b) => keyframeOffset(a.at) - keyframeOffset(b.at));

/** A keyframe at a place of the curve, with the value that is there now: nothing changes until it is moved. */
export function withKeyframeIn(c: Curve, progress: number): Keyframe[] {
  const at = percent(c.whole(progress));
  if (c.keyframes.some((s) => s.at === at)) return [...c.keyframes];
  return sortKeyframes([...c.keyframes, { at, value: cssAt(c, progress) }]);
}

export const withKeyframe = (
  keyframes: readonly Keyframe[],
  index: number,
  change: Partial<Keyframe>,
): Keyframe[] => sortKeyframes(keyframes.map((s, i) => (i === index ? { ...s, ...change } : s)));

/**
 * What was typed for a curve that draws one axis of several: a single value is meant for that axis, and the others stay. Anything else is
 * the whole value.
 */
export function typedValue(c: Pick<Curve, 'property' | 'number'>, was: string, text: string): string {
  if (c.property !== 'translate' || /[\s,](?![^(]*\))/.test(text.trim()) || isNone(text)) return text;
  const parts = isNone(was) ? [] : was.trim().split(/\s+(?![^(]*\))/);
  if (c.number === 0 && parts.length < 2) return text;
  while (parts.length <= c.number) parts.push('0px');
  return parts.map((part, i) => (i === c.number ? text.trim() : part)).join(' ');
}
const isNone = (text: string) => /^(none|initial|inherit|unset|revert)?$/.test(text.trim());

const NUMBER = /-?(?:\d+\.\d+|\.\d+|\d+)(?=[a-z%]*)/gi;

/** The CSS value with its k-th number replaced, units kept. Null where the value has no such number (`none`). */
export function withNumber(css: string, k: number, n: number): string | null {
  let i = -1;
  let hit = false;
  const out = css.replace(NUMBER, (found) => {
    i++;
    if (i !== k) return found;
    hit = true;
    return String(Number(n.toFixed(Math.abs(n) < 2 ? 3 : 1)));
  });
  return hit ? out : null;
}

/** `0` as a length has no unit yet; when it is moved it gets that of its neighbours. */
export function withUnit(css: string, like: readonly string[]): string {
  const unit = like.map((v) => /\d([a-z%]+)/i.exec(v)?.[1]).find(Boolean);
  return unit
    ? css.replace(/(-?(?:\d+\.\d+|\.\d+|\d+))(?![\w.%])/g, (n) => (Number(n) === 0 ? n : `${n}${unit}`))
    : css;
}
