import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compileTimeline } from '../motion/index.ts';
import { propertyNames } from '../value/index.ts';
import { makeDocument, element, makeLayout, motion } from '../testing/index.ts';
import { computeAmounts } from './amounts.ts';
import { computeCost, shippedCoefficients } from './coefficients.ts';
import { COST_CLASSES, findCostClass } from './cost-class.ts';
import { fitCoefficients, nonNegativeLeastSquares } from './fit.ts';
import { noAmounts, QUANTITY_NAMES } from './quantities.ts';

describe('non-negative least squares', () => {
  test('finds what made the numbers, where that was not negative', () => {
    const positive = fc.double({ min: 0, max: 20, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(positive, { minLength: 3, maxLength: 3 }),
        fc.array(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 3, maxLength: 3 }), {
          minLength: 12,
          maxLength: 30,
        }),
        (x, rows) => {
          const A = [[1, 0, 0], [0, 1, 0], [0, 0, 1], ...rows];
          const b = A.map((row) => row.reduce((s, v, i) => s + v * itemAt(x, i), 0));
          nonNegativeLeastSquares(A, b).forEach((v, i) =>
            expect(Math.abs(v - itemAt(x, i))).toBeLessThan(1e-6),
          );
        },
      ),
    );
  });
  test('no step in any allowed direction does better', () => {
    const n = fc.double({ min: -5, max: 5, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(n, n, n, n), { minLength: 5, maxLength: 20 }), (rows) => {
        const A = rows.map((r) => r.slice(0, 3));
        const b = rows.map((r) => r[3]);
        const off = (x: number[]) =>
          A.reduce(
            (s, row, k) => s + (row.reduce((p, v, i) => p + v * itemAt(x, i), 0) - itemAt(b, k)) ** 2,
            0,
          );
        const x = nonNegativeLeastSquares(A, b);
        const best = off(x);
        for (let i = 0; i < 3; i++)
          for (const by of [-0.01, 0.01]) {
            const moved = x.map((v, k) => (k === i ? Math.max(0, v + by) : v));
            expect(off(moved)).toBeGreaterThanOrEqual(best - 1e-7 * (1 + best));
          }
        expect(x.every((v) => v >= 0)).toBe(true);
      }),
    );
  });
});

describe('fit', () => {
  const frames = (count: number) =>
    Array.from({ length: count }, (_, i) => {
      const amounts = { ...noAmounts(), frame: 1, write: i % 7, paint: (i % 3) / 2 };
      return {
        amounts,
        cost: { script: 0, style: 0.1 * amounts.write, paint: 4 * amounts.paint, composite: 1.5 },
      };
    });
  test('gives back the prices that frames were made with, and says that nothing is left over', () => {
    const c = fitCoefficients('here', frames(80));
    expect(c.unitCosts.write).toBeCloseTo(0.1, 6);
    expect(c.unitCosts.paint).toBeCloseTo(4, 6);
    expect(c.unitCosts.frame).toBeCloseTo(1.5, 6);
    expect(c.error).toBeLessThan(1e-6);
    expect(c.frames).toBe(80);
    // What never occurred keeps its price.
    expect(c.unitCosts.layout).toBe(shippedCoefficients('here').unitCosts.layout);
  });
  test('too few frames change nothing', () =>
    expect(fitCoefficients('phone', frames(10))).toEqual(shippedCoefficients('phone')));
});

describe('cost', () => {
  test('every animatable property has a class', () => {
    for (const p of propertyNames()) expect(COST_CLASSES).toContain(findCostClass(p));
    expect(findCostClass('--glow')).toBe('style');
  });
  const layout = makeLayout([element({ selector: '#a' }), element({ selector: '#b', parent: 0 })]);
  const computeUnitCost = (keyframes: Record<string, [string, string]>) => {
    const timeline = compileTimeline(
      makeDocument(
        motion({
          keyframes: Object.fromEntries(
            Object.entries(keyframes).map(([p, [a, b]]) => [
              p,
              [
                { at: '0%', value: a },
                { at: '100%', value: b },
              ],
            ]),
          ),
        }),
      ),
      layout,
    );
    const parts = computeCost(computeAmounts(timeline, 0), shippedCoefficients('here'));
    return parts.script + parts.style + parts.paint + parts.composite;
  };
  test('a transform costs less than what it stands for', () => {
    const cheap = computeUnitCost({ translate: ['0 40px', '0 0'] });
    expect(computeUnitCost({ top: ['40px', '0px'] })).toBeGreaterThan(cheap);
    expect(computeUnitCost({ 'clip-path': ['inset(0 0 50% 0)', 'inset(0)'] })).toBeGreaterThan(cheap);
    expect(computeUnitCost({ filter: ['blur(12px)', 'blur(0px)'] })).toBeGreaterThan(cheap);
    expect(computeUnitCost({ filter: ['blur(24px)', 'blur(0px)'] })).toBeGreaterThan(
      computeUnitCost({ filter: ['blur(4px)', 'blur(0px)'] }),
    );
  });
  test('a slower device pays more for its main thread', () => {
    const [here, phone] = ['here', 'phone'].map((d) => shippedCoefficients(d).unitCosts);
    expect(present(phone).write).toBe(present(here).write * 4);
    for (const q of QUANTITY_NAMES) expect(present(phone)[q]).toBeGreaterThanOrEqual(present(here)[q]);
  });
});
