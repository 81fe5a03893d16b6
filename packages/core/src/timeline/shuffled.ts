import { itemAt } from '../assert/index.ts';

/** The numbers from 0 to `count` − 1 in an order of their own for each seed (Fisher and Yates, drawn by a linear congruence). */
export function shuffled(count: number, seed: number): number[] {
  const out = Array.from({ length: count }, (_, i) => i);
  let state = (seed * 2_654_435_761) >>> 0;
  for (let i = count - 1; i > 0; i--) {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    const k = Math.floor((state / 2 ** 32) * (i + 1));
    [out[i], out[k]] = [itemAt(out, k), itemAt(out, i)];
  }
  return out;
}
