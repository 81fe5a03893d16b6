/**
 * Follow (damping): what is shown follows the scroll offset, exactly and alike at every refresh rate. The input is taken as linear between
 * two frames, so the differential equation has a closed solution over each step; no step size enters.
 */
import type { Ms, Px } from '../page/index.ts';

export type Damping =
  | { kind: 'none' }
  /** lag halves in this time, ms; `cap` keeps it below so many px */
  | { kind: 'half-life'; halfLife: Ms; cap?: Px | undefined }
  /** frequency in Hz, damping ratio: 1 does not overshoot */
  | { kind: 'spring'; frequency: number; ratio: number };

/** The followed offset, px, and its velocity, px/ms. */
export interface DampedOffset {
  y: Px;
  v: number;
}

/** Closer than this, and as slow, it has arrived. */
const REST = 0.02;

/** Moves a follower over `step` ms while the scroll offset goes from `x0` to `x1` in a straight line. Changes and returns `f`. */
export function damp(f: DampedOffset, how: Damping, x0: Px, x1: Px, step: Ms): DampedOffset {
  if (how.kind === 'none' || !(step > 0)) {
    f.y = how.kind === 'none' ? x1 : f.y;
    f.v = 0;
    return f;
  }
  const slope = (x1 - x0) / step;
  if (how.kind === 'half-life') {
    const tau = how.halfLife / Math.LN2;
    const lag = slope * tau;
    f.y = tau > 0 ? x1 - lag + (f.y - x0 + lag) * Math.exp(-step / tau) : x1;
    // The lag runs one way over a straight piece, so holding it at the end is holding it throughout.
    if (how.cap !== undefined) f.y = Math.min(x1 + how.cap, Math.max(x1 - how.cap, f.y));
    f.v = tau > 0 ? (x1 - f.y) / tau : 0;
    return f;
  }
  const omega = (2 * Math.PI * how.frequency) / 1000;
  const { ratio } = how;
  const lag = (2 * ratio * slope) / omega;
  const e0 = f.y - x0 + lag;
  const v0 = f.v - slope;
  const [c, s] = oscillation(omega, ratio, step);
  const e1 = e0 * (c + ratio * omega * s) + v0 * s;
  f.v = slope + v0 * (c - ratio * omega * s) - omega * omega * e0 * s;
  f.y = x1 - lag + e1;
  return f;
}

/**
 * `exp(−ζωt)` times cosine, and times sine over its own frequency, of the damped oscillation; hyperbolic above ζ = 1. Near 1 both come
 * from their series, since the frequency vanishes.
 */
function oscillation(omega: number, ratio: number, t: Ms): [number, number] {
  const d2 = omega * omega * (1 - ratio * ratio);
  const z = d2 * t * t;
  const fade = Math.exp(-ratio * omega * t);
  if (Math.abs(z) < 1e-4) return [fade * (1 - z / 2 + (z * z) / 24), fade * t * (1 - z / 6 + (z * z) / 120)];
  if (d2 > 0) {
    const d = Math.sqrt(d2);
    return [fade * Math.cos(d * t), (fade * Math.sin(d * t)) / d];
  }
  const d = Math.sqrt(-d2);
  const slow = Math.exp((d - ratio * omega) * t);
  const fast = Math.exp((-d - ratio * omega) * t);
  return [(slow + fast) / 2, (slow - fast) / (2 * d)];
}

export const isAtRest = (f: DampedOffset, x: Px): boolean =>
  Math.abs(f.y - x) < REST && Math.abs(f.v) < REST / 16;

/** How far behind it stays at a constant velocity (px/s), in px. */
export function steadyLag(how: Damping, velocity: number): Px {
  const v = velocity / 1000;
  if (how.kind === 'half-life') return Math.min(how.cap ?? Infinity, Math.abs(v) * (how.halfLife / Math.LN2));
  if (how.kind === 'spring') return (2 * how.ratio * Math.abs(v)) / ((2 * Math.PI * how.frequency) / 1000);
  return 0;
}

/** Time after which it stays within `near` px of where a jump of `jump` px has led, ms. */
export function settleTime(how: Damping, jump: Px, near: Px = 1): Ms {
  const depth = Math.log(Math.max(1, Math.abs(jump) / near));
  if (how.kind === 'none' || depth === 0) return 0;
  if (how.kind === 'half-life') return (how.halfLife / Math.LN2) * depth;
  const { ratio } = how;
  const omega = (2 * Math.PI * how.frequency) / 1000;
  const left = (t: Ms): Px => {
    const [c, s] = oscillation(omega, ratio, t);
    return Math.abs(jump * (c + ratio * omega * s));
  };
  // Between two turning points what is left only shrinks and crosses once, so the last turn that is still too far off bounds it below.
  const half = ratio < 1 ? Math.PI / (omega * Math.sqrt(1 - ratio * ratio)) : Infinity;
  let from = 0;
  if (ratio < 1) while (left(from + half) >= near) from += half;
  let to = Number.isFinite(half) ? from + half : 1 / omega;
  while (left(to) >= near) to *= 2;
  for (let i = 0; i < 60; i++) {
    const middle = (from + to) / 2;
    if (left(middle) >= near) from = middle;
    else to = middle;
  }
  return to;
}

/** Share of a jump by which a spring shoots over; 0 without overshoot. */
export const overshoot = (how: Damping): number =>
  how.kind === 'spring' && how.ratio < 1
    ? Math.exp((-Math.PI * how.ratio) / Math.sqrt(1 - how.ratio * how.ratio))
    : 0;

/** Half-life of a factor that is applied once a frame at a refresh rate: what people bring from elsewhere. ms */
export const halfLifeOfFactor = (factor: number, refresh: number): Ms =>
  (1000 * Math.log(0.5)) / (refresh * Math.log(1 - factor));

/** Half-life that catches up in `seconds` to within a share of the way. ms */
export const halfLifeToCatchUp = (seconds: number, within: number): Ms =>
  (seconds * 1000 * Math.LN2) / Math.log(1 / within);
