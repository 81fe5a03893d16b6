/** The budget band: how near the frames of each stretch of scroll come to their budget. */
import { bandOf } from '@lyvek/core';
import type { Band, Bucket, Ms, Px } from '@lyvek/core';
import type { View } from './view.ts';

const SIZES = [50, 100, 200, 500, 1000, 2000, 5000, 10_000];
/** Scroll that one bar stands for: a round number that is at least four rows high. */
export const bucketSize = (view: View): Px => SIZES.find((s) => s / view.per >= 4) ?? 20_000;

/** Stretches of equal band, for the ruler. */
export function bandsOf(buckets: readonly Bucket[], budget: Ms): { from: Px; to: Px; band: Band }[] {
  const out: { from: Px; to: Px; band: Band }[] = [];
  for (const b of buckets) {
    const band = bandOf(b.total, budget);
    const last = out.at(-1);
    if (last?.band === band && last.to === b.from) last.to = b.to;
    else out.push({ from: b.from, to: b.to, band });
  }
  return out;
}
