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
