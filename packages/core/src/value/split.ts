/**
 * An easing over the whole range, written as easings between stops: CSS animations have only the latter. Exact at every stop;
 * between stops the composed curve is baked into `linear()` to within `TOLERANCE`.
 */
import { itemAt } from '../assert/index.ts';
import { isLinear, parseEasing } from './easing.ts';
import type { Ease } from './easing-definition.ts';
import { keyframeOffset } from './track.ts';
import type { Keyframe } from './track.ts';
import { listHandles, subcurve } from './easings/cubic-bezier.ts';
import { decimal } from './value-type.ts';

const TOLERANCE = 1e-4;
const SAMPLES = 400;
/** Looks at a piece before it counts as straight; a prime, so that a wave does not hide between them. */
const LOOKS = 43;

/** True where a curve passes a level once on its way from 0 to 1: only then has the stop there one place. */
export function passesOnce(ease: Ease, level: number): boolean {
  let passes = 0;
  let above = ease(0) > level;
  for (let i = 1; i <= SAMPLES; i++) {
    const y = ease(i / SAMPLES);
    if (Math.abs(y - level) < 1e-9 || y > level === above) continue;
    above = !above;
    passes++;
  }
  return passes <= 1;
}

/** Smallest p with ease(p) ≥ y for a curve that passes y once, by halving. */
function invert(ease: Ease, y: number): number {
  if (y <= 0) return 0;
  if (y >= 1) return 1;
  let low = 0;
  let high = 1;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (ease(middle) < y) low = middle;
    else high = middle;
  }
  return high;
}

/** `linear()` through as few points as keep the error below the tolerance, found by splitting at the worst point. */
export function bake(f: Ease, tolerance = TOLERANCE): string {
  const points: [number, number][] = [[0, f(0)]];
  const add = (x0: number, y0: number, x1: number, y1: number, depth: number) => {
    let worst = tolerance;
    let at = -1;
    for (let i = 1; i < LOOKS; i++) {
      const x = x0 + ((x1 - x0) * i) / LOOKS;
      const error = Math.abs(f(x) - (y0 + ((y1 - y0) * i) / LOOKS));
      if (error > worst) [worst, at] = [error, x];
    }
    if (at >= 0 && depth < 60) {
      add(x0, y0, at, f(at), depth + 1);
      add(at, f(at), x1, y1, depth + 1);
    } else points.push([x1, y1]);
  };
  add(0, f(0), 1, f(1), 0);
  return `linear(${points.map(([x, y], i) => (i === 0 || i === points.length - 1 ? decimal(y) : `${decimal(y)} ${decimal(x * 100)}%`)).join(', ')})`;
}

/**
 * Stops of one property with the whole-range easing worked in. With two plain stops at the ends it is their easing. A Bézier curve
 * over linear stretches is cut into Bézier curves, which is exact; anything else is baked. An inner stop must be passed once only.
 */
export function withWholeEasing(keyframes: readonly Keyframe[], whole: string): Keyframe[] {
  const parsed = parseEasing(whole);
  if (!parsed.ok || isLinear(parsed.value)) return [...keyframes];
  const ease = parsed.value;
  const handles = listHandles(whole);
  const sorted = [...keyframes].sort((a, b) => keyframeOffset(a.at) - keyframeOffset(b.at));
  const ends =
    sorted.length === 2 &&
    keyframeOffset(itemAt(sorted, 0).at) === 0 &&
    keyframeOffset(itemAt(sorted, 1).at) === 1;
  if (ends && (itemAt(sorted, 0).easing ?? 'linear') === 'linear')
    return [{ ...itemAt(sorted, 0), easing: whole }, itemAt(sorted, 1)];
  const places = sorted.map((s) => invert(ease, keyframeOffset(s.at)));
  return sorted.map((stop, i) => {
    const p0 = itemAt(places, i);
    const at = `${decimal(p0 * 100)}%`;
    const next = sorted[i + 1];
    if (!next) return { ...stop, at };
    const p1 = itemAt(places, i + 1);
    const a = keyframeOffset(stop.at);
    const b = keyframeOffset(next.at);
    if (b <= a || p1 <= p0) return { ...stop, at, easing: 'linear' };
    const own = stop.easing ?? 'linear';
    const piece = handles && own === 'linear' ? subcurve(handles, p0, p1) : null;
    if (piece) return { ...stop, at, easing: `cubic-bezier(${piece.map(decimal).join(', ')})` };
    const inner = parseEasing(own);
    const shape = inner.ok ? inner.value : (t: number) => t;
    return { ...stop, at, easing: bake((u) => shape((ease(p0 + u * (p1 - p0)) - a) / (b - a))) };
  });
}
