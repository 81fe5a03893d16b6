/** What a trial amounts to: figures of the whole, and the same along the page. */
import { itemAt, present } from '../assert/index.ts';
import { COST_PARTS } from '../budget/index.ts';
import type { CostPart } from '../budget/index.ts';
import type { Ms, Px } from '../page/index.ts';
import type { TrialFrames, TrialResult } from './trial.ts';

export interface TrialSummary {
  frames: number;
  /** share of frames within the budget */
  onTime: number;
  median: Ms;
  p95: Ms;
  worst: Ms;
  worstAt: Px;
  /** the time that a frame has, ms */
  budget: Ms;
}

export const partsAt = (f: TrialFrames, i: number): Ms => COST_PARTS.reduce((s, p) => s + itemAt(f[p], i), 0);

/** Nearest-rank percentile of sorted numbers; 0 of none. */
export const percentile = (sorted: ArrayLike<number>, share: number): number =>
  sorted.length
    ? itemAt(sorted, Math.min(sorted.length - 1, Math.max(0, Math.ceil(share * sorted.length) - 1)))
    : 0;

/** A frame is late when the one after it comes after more than this many budgets: half a refresh is the timer’s own play. */
const LATE = 1.5;

/** Frames in which nothing happened count as on time: the screen shows them anyway. */
export function summarize(frames: TrialFrames, refresh: number): TrialSummary {
  const budget = 1000 / refresh;
  const cost = Float64Array.from(frames.t, (_, i) => partsAt(frames, i));
  let worst = 0;
  cost.forEach((c, i) => {
    if (c > itemAt(cost, worst)) worst = i;
  });
  // Where frames were measured the screen itself says which were late; threads work side by side, so their sum would not.
  const { interval } = frames;
  const onTime = interval
    ? interval.reduce((n, ms) => n + Number(ms < LATE * budget), 0)
    : cost.reduce((n, c) => n + Number(c <= budget), 0);
  const sorted = Float64Array.from(cost).sort();
  return {
    frames: cost.length,
    onTime: cost.length ? onTime / cost.length : 1,
    median: percentile(sorted, 0.5),
    p95: percentile(sorted, 0.95),
    worst: cost[worst] ?? 0,
    worstAt: frames.y[worst] ?? 0,
    budget,
  };
}

/** The dearest frame of a stretch of scroll, in its parts. */
export interface Bucket {
  from: Px;
  to: Px;
  frames: number;
  parts: Record<CostPart, Ms>;
  total: Ms;
}

/** Stretches of `size` px from 0 to `max`; one that no frame stopped in has none and costs what its neighbours say: nothing. */
export function fillBuckets(frames: TrialFrames, max: Px, size: Px = 100): Bucket[] {
  const count = Math.max(1, Math.ceil(max / size));
  const out = Array.from({ length: count }, (_, i): Bucket => ({
    from: i * size,
    to: Math.min(max, (i + 1) * size),
    frames: 0,
    parts: { script: 0, style: 0, paint: 0, composite: 0 },
    total: 0,
  }));
  frames.y.forEach((y, i) => {
    const b = itemAt(out, Math.min(count - 1, Math.max(0, Math.floor(y / size))));
    b.frames++;
    const total = partsAt(frames, i);
    if (total < b.total) return;
    b.total = total;
    for (const p of COST_PARTS) b.parts[p] = itemAt(frames[p], i);
  });
  return out;
}

export const BANDS = ['calm', 'near', 'over'] as const;
export type Band = (typeof BANDS)[number];
/** Above this share of the budget a frame is near it. Chosen by us. */
export const NEAR_BUDGET = 0.75;
export const findBand = (ms: Ms, budget: Ms): Band =>
  ms > budget ? 'over' : ms > NEAR_BUDGET * budget ? 'near' : 'calm';

/** A stretch of scroll whose frames are all as near to their budget. */
export interface Stretch {
  from: Px;
  to: Px;
  band: Band;
}

/** Neighbouring buckets of one band as one stretch. */
export function splitStretches(buckets: readonly Bucket[], budget: Ms): Stretch[] {
  const out: Stretch[] = [];
  for (const b of buckets) {
    const band = findBand(b.total, budget);
    const last = out.at(-1);
    if (last?.band === band && last.to === b.from) last.to = b.to;
    else out.push({ from: b.from, to: b.to, band });
  }
  return out;
}

/** Intervals or costs counted in steps of `step` ms, the last one open. */
export function computeHistogram(values: readonly number[], step: Ms, bins: number): number[] {
  const out = new Array<number>(bins).fill(0);
  for (const v of values) out[Math.min(bins - 1, Math.max(0, Math.floor(v / step)))]!++;
  return out;
}

/** Frames as CSV with a head line: ms, px, then ms per part. */
export function trialCsv({ frames }: TrialResult): string {
  const columns = [
    't',
    'y',
    ...COST_PARTS,
    ...(frames.interval ? ['interval'] : []),
  ] as (keyof TrialFrames)[];
  const names = columns.map((c) => (c === 't' ? 'ms' : c === 'y' ? 'px' : c));
  const rows = frames.t.map((_t, i) => columns.map((c) => present(frames[c])[i]).join(','));
  return [names.join(','), ...rows].join('\r\n') + '\r\n';
}
