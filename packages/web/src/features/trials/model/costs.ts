/** Frame costs along the page, made ready for drawing. */
import type { Bucket, Charge, Ms } from '@lyvek/core';
import { toRow } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';

/** The ms axis reaches a little beyond the budget, and to the dearest frame. */
export const toAxis = (buckets: readonly Bucket[], budget: Ms): Ms =>
  Math.max(1.25 * budget, 1.12 * buckets.reduce((m, b) => Math.max(m, b.total), 0));

export interface Peak {
  bucket: Bucket;
  /** the motion that adds most there, and what it adds */
  charge: Charge;
}

/** The dearest places that lie at least `gap` rows apart, from the top, each with the motion that costs most there. */
export function findPeaks(
  buckets: readonly Bucket[],
  charges: readonly Charge[],
  view: View,
  most = 6,
  gap = 46,
): Peak[] {
  const out: Peak[] = [];
  for (const bucket of [...buckets].sort((a, b) => b.total - a.total)) {
    if (out.length === most || bucket.total === 0) break;
    if (out.some((p) => Math.abs(toRow(p.bucket.from, view) - toRow(bucket.from, view)) < gap)) continue;
    const charge = mostExpensiveIn(charges, bucket);
    if (charge) out.push({ bucket, charge });
  }
  return out.sort((a, b) => a.bucket.from - b.bucket.from);
}

const mostExpensiveIn = (charges: readonly Charge[], { from, to }: Bucket): Charge | null =>
  charges.reduce<Charge | null>(
    (best, c) => (c.start < to && c.end > from && c.total > (best?.total ?? 0) ? c : best),
    null,
  );
