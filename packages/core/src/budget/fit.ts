/** Prices from measured frames: non-negative least squares (Lawson and Hanson 1974, ch. 23), part by part. */
import { itemAt } from '../assert/index.ts';
import { COST_PARTS, QUANTITIES, QUANTITY_NAMES } from './quantities.ts';
import type { Amounts, CostPart, QuantityName } from './quantities.ts';
import { shippedCoefficients } from './coefficients.ts';
import type { Coefficients } from './coefficients.ts';

/** One measured frame: what was asked of it, and what its parts took, ms. */
export interface MeasuredFrame {
  amounts: Amounts;
  cost: Record<CostPart, number>;
}

/** As many frames as a fit needs at least: fewer leave the shipped prices. */
export const FEWEST_FRAMES = 40;

/** A quantity that never occurred keeps its shipped price. Slow frames weigh no more than quick ones. */
export function fitCoefficients(device: string, frames: readonly MeasuredFrame[]): Coefficients {
  const shipped = shippedCoefficients(device);
  if (frames.length < FEWEST_FRAMES) return shipped;
  const unitCosts = { ...shipped.unitCosts };
  for (const part of COST_PARTS) {
    const names = QUANTITY_NAMES.filter(
      (q) => QUANTITIES[q].part === part && frames.some((f) => f.amounts[q] > 0),
    );
    if (names.length === 0) continue;
    const fitted = nonNegativeLeastSquares(
      frames.map((f) => names.map((q) => f.amounts[q])),
      frames.map((f) => f.cost[part]),
    );
    names.forEach((q, i) => (unitCosts[q] = itemAt(fitted, i)));
  }
  return { device, unitCosts, error: toError(frames, unitCosts), frames: frames.length };
}

/** Single frames jitter: one waits for the next. What is read are stretches, of about this many. Chosen by us. */
const STRETCH = 8;

/** Standard deviation of what is left, by stretches of neighbouring frames, as a share of the mean prediction. */
function toError(frames: readonly MeasuredFrame[], unitCosts: Coefficients['unitCosts']): number {
  let squares = 0;
  let sum = 0;
  let count = 0;
  for (let from = 0; from < frames.length; from += STRETCH) {
    const stretch = frames.slice(from, from + STRETCH);
    let [predicted, measured] = [0, 0];
    for (const { amounts, cost } of stretch) {
      predicted +=
        QUANTITY_NAMES.reduce((s, q: QuantityName) => s + amounts[q] * unitCosts[q], 0) / stretch.length;
      measured += COST_PARTS.reduce((s, p) => s + cost[p], 0) / stretch.length;
    }
    squares += (predicted - measured) ** 2;
    sum += predicted;
    count++;
  }
  return sum > 0 ? Math.sqrt(squares / count) / (sum / count) : 0;
}

/** x ≥ 0 with the least |A·x − b|². Columns without any entry get 0. */
export function nonNegativeLeastSquares(A: readonly (readonly number[])[], b: readonly number[]): number[] {
  const n = A[0]?.length ?? 0;
  const gram = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (__, j) => A.reduce((s, row) => s + itemAt(row, i) * itemAt(row, j), 0)),
  );
  const right = Array.from({ length: n }, (_, i) =>
    A.reduce((s, row, k) => s + itemAt(row, i) * itemAt(b, k), 0),
  );
  const x = new Array<number>(n).fill(0);
  const free = new Set<number>();
  const scale = Math.max(1e-30, ...right.map(Math.abs));
  const slope = (i: number) =>
    itemAt(right, i) - itemAt(gram, i).reduce((s, g, j) => s + g * itemAt(x, j), 0);
  for (let round = 0; round < 3 * n + 10; round++) {
    let best = -1;
    for (let i = 0; i < n; i++)
      if (!free.has(i) && slope(i) > 1e-9 * scale && (best < 0 || slope(i) > slope(best))) best = i;
    if (best < 0) return x;
    free.add(best);
    for (;;) {
      const columns = [...free];
      const z = solve(
        columns.map((i) => columns.map((j) => itemAt(itemAt(gram, i), j))),
        columns.map((i) => itemAt(right, i)),
      );
      if (z.every((v) => v > 0)) {
        columns.forEach((i, k) => (x[i] = itemAt(z, k)));
        break;
      }
      // As far towards the solution as all stay positive; what reaches 0 is held there.
      let share = 1;
      columns.forEach((i, k) => {
        if (itemAt(z, k) <= 0)
          share = Math.min(share, itemAt(x, i) / Math.max(1e-300, itemAt(x, i) - itemAt(z, k)));
      });
      columns.forEach((i, k) => {
        x[i] = itemAt(x, i) + share * (itemAt(z, k) - itemAt(x, i));
        if (itemAt(x, i) <= 1e-12) {
          x[i] = 0;
          free.delete(i);
        }
      });
      if (free.size === 0) break;
    }
  }
  return x;
}

/** Gauss with pivots; a column that says nothing new gets 0. */
function solve(A: number[][], b: number[]): number[] {
  const n = b.length;
  const m = A.map((row, i) => [...row, itemAt(b, i)]);
  const dead = new Set<number>();
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++)
      if (Math.abs(itemAt(itemAt(m, r), c)) > Math.abs(itemAt(itemAt(m, pivot), c))) pivot = r;
    [m[c], m[pivot]] = [itemAt(m, pivot), itemAt(m, c)];
    if (Math.abs(itemAt(itemAt(m, c), c)) < 1e-12 * Math.max(1e-30, Math.abs(itemAt(itemAt(A, c), c)))) {
      dead.add(c);
      continue;
    }
    for (let r = 0; r < n; r++) {
      if (r === c) continue;
      const by = itemAt(itemAt(m, r), c) / itemAt(itemAt(m, c), c);
      for (let k = c; k <= n; k++) itemAt(m, r)[k]! -= by * itemAt(itemAt(m, c), k);
    }
  }
  return m.map((row, i) => (dead.has(i) ? 0 : itemAt(row, n) / itemAt(row, i)));
}
