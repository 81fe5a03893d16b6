import { itemAt } from '../../assert/index.ts';
import type { EasingDefinition } from '../easing-definition.ts';

/** The keywords' control points, from CSS Easing 2, §2.3. */
const KEYWORDS: Record<string, [number, number, number, number]> = {
  ease: [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1],
};

export const cubicBezier: EasingDefinition = {
  name: 'cubic-bezier',
  keywords: Object.fromEntries(Object.entries(KEYWORDS).map(([name, p]) => [name, () => curve(...p)])),
  parse(args) {
    const p = args?.map(Number);
    if (p?.length !== 4 || p.some((n) => !Number.isFinite(n))) return null;
    const [x1, y1, x2, y2] = p as [number, number, number, number];
    if (x1 < 0 || x1 > 1 || x2 < 0 || x2 > 1) return null;
    return curve(x1, y1, x2, y2);
  },
};

export type Handles = [x1: number, y1: number, x2: number, y2: number];

/** Control points of a `cubic-bezier()` or of a keyword for one; null for any other easing. */
export function listHandles(css: string): Handles | null {
  const text = css.trim().toLowerCase();
  if (KEYWORDS[text]) return KEYWORDS[text];
  const p = /^cubic-bezier\(([^()]+)\)$/.exec(text)?.[1]?.split(',').map(Number);
  return p?.length === 4 && p.every(Number.isFinite) ? (p as Handles) : null;
}

/**
 * The piece of a curve between two inputs as a curve of its own, by de Casteljau's construction; null where that piece would need
 * handles that `cubic-bezier()` refuses, or where it ends as high as it begins.
 */
export function subcurve([x1, y1, x2, y2]: Handles, from: number, to: number): Handles | null {
  const u0 = parameterAt(x1, x2, from);
  const u1 = parameterAt(x1, x2, to);
  const cut = (a: number, b: number): [number, number, number, number] => {
    const at = (s: number, t: number, v: number) => {
      // Blossom of the cubic 0, a, b, 1.
      const [p, q, r] = [a * s, a + (b - a) * s, b + (1 - b) * s];
      const [m, n] = [p + (q - p) * t, q + (r - q) * t];
      return m + (n - m) * v;
    };
    return [at(u0, u0, u0), at(u0, u0, u1), at(u0, u1, u1), at(u1, u1, u1)];
  };
  const [xa, xb, xc, xd] = cut(x1, x2);
  const [ya, yb, yc, yd] = cut(y1, y2);
  if (Math.abs(yd - ya) < 1e-9 || Math.abs(xd - xa) < 1e-12) return null;
  const x = [(xb - xa) / (xd - xa), (xc - xa) / (xd - xa)];
  if (x.some((v) => v < -1e-9 || v > 1 + 1e-9)) return null;
  const inside = (v: number) => Math.min(1, Math.max(0, v));
  return [inside(itemAt(x, 0)), (yb - ya) / (yd - ya), inside(itemAt(x, 1)), (yc - ya) / (yd - ya)];
}

/** The curve's parameter at an input, by halving. */
function parameterAt(x1: number, x2: number, x: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  let low = 0;
  let high = 1;
  for (let i = 0; i < 60; i++) {
    const u = (low + high) / 2;
    if (3 * u * (1 - u) * ((1 - u) * x1 + u * x2) + u ** 3 < x) low = u;
    else high = u;
  }
  return (low + high) / 2;
}

/**
 * Solves x(u) = t by Newton's method inside a shrinking bracket, to 1e-12 in x, then takes y(u). Outside 0…1 the curve goes on
 * along its tangents, as the standard says.
 */
function curve(x1: number, y1: number, x2: number, y2: number): (t: number) => number {
  if (x1 === y1 && x2 === y2) return (t) => t;
  const cx = 3 * x1;
  const bx = 3 * (x2 - x1) - cx;
  const ax = 1 - cx - bx;
  const cy = 3 * y1;
  const by = 3 * (y2 - y1) - cy;
  const ay = 1 - cy - by;
  const startSlope = x1 > 0 ? y1 / x1 : y1 === 0 && x2 > 0 ? y2 / x2 : 0;
  const endSlope = x2 < 1 ? (1 - y2) / (1 - x2) : y2 === 1 && x1 < 1 ? (1 - y1) / (1 - x1) : 0;
  return (t) => {
    if (t <= 0) return startSlope * t;
    if (t >= 1) return 1 + endSlope * (t - 1);
    let low = 0;
    let high = 1;
    let u = t;
    for (let i = 0; i < 60; i++) {
      const x = ((ax * u + bx) * u + cx) * u - t;
      if (Math.abs(x) < 1e-12) break;
      if (x < 0) low = u;
      else high = u;
      const slope = (3 * ax * u + 2 * bx) * u + cx;
      const next = u - x / slope;
      u = slope > 1e-9 && next > low && next < high ? next : (low + high) / 2;
    }
    return ((ay * u + by) * u + cy) * u;
  };
}
