import { present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  damp,
  halfLifeOfFactor,
  halfLifeToCatchUp,
  isAtRest,
  overshoot,
  settleTime,
  steadyLag,
} from './damping.ts';
import type { Damping } from './damping.ts';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const how: fc.Arbitrary<Damping> = fc.oneof(
  fc.record({ kind: fc.constant('half-life' as const), halfLife: number(5, 800) }),
  fc.record({ kind: fc.constant('half-life' as const), halfLife: number(5, 800), cap: number(1, 200) }),
  fc.record({ kind: fc.constant('spring' as const), frequency: number(0.3, 12), ratio: number(0.1, 3) }),
  fc.record({
    kind: fc.constant('spring' as const),
    frequency: number(0.3, 12),
    ratio: number(-1e-7, 1e-7).map((d) => 1 + d),
  }),
);
/** Scroll over time: straight pieces between knees. */
const knees = fc.array(fc.tuple(fc.integer({ min: 1, max: 400 }), number(-900, 900)), {
  minLength: 1,
  maxLength: 6,
});

describe('damping', () => {
  test('frame sets that share the knees of the input agree at common instants', () => {
    fc.assert(
      fc.property(how, knees, fc.infiniteStream(fc.integer({ min: 1, max: 40 })), (h, pieces, frames) => {
        const a = { y: 100, v: 0 };
        const b = { y: 100, v: 0 };
        let x = 100;
        for (const [length, way] of pieces) {
          damp(a, h, x, x + way, length);
          let t = 0;
          while (t < length) {
            const next = Math.min(length, t + present(frames.next().value));
            damp(b, h, x + (way * t) / length, x + (way * next) / length, next - t);
            t = next;
          }
          x += way;
          expect(Math.abs(a.y - b.y)).toBeLessThan(1e-9 * (1 + Math.abs(x)));
        }
      }),
      { numRuns: 400 },
    );
  });

  test('comes to rest where the page stands', () => {
    fc.assert(
      fc.property(how, number(-2000, 2000), (h, jump) => {
        const f = { y: 0, v: 0 };
        for (let i = 0; i < 400; i++) damp(f, h, jump, jump, 1000);
        expect(isAtRest(f, jump)).toBe(true);
      }),
    );
  });

  test('lags as much at constant velocity as is said', () => {
    fc.assert(
      fc.property(how, number(10, 4000), (h, velocity) => {
        const f = { y: 0, v: 0 };
        for (let i = 0; i < 400; i++) damp(f, h, i * velocity, (i + 1) * velocity, 1000);
        expect(400 * velocity - f.y).toBeCloseTo(steadyLag(h, velocity), 3);
      }),
    );
  });

  test('settles in the time that is said', () => {
    const h: Damping = { kind: 'half-life', halfLife: 90 };
    const f = damp({ y: 0, v: 0 }, h, 500, 500, settleTime(h, 500));
    expect(500 - f.y).toBeCloseTo(1, 6);
  });

  test('a spring below ratio 1 shoots over by the share that is said', () => {
    const h: Damping = { kind: 'spring', frequency: 2, ratio: 0.4 };
    const f = { y: 0, v: 0 };
    let highest = 0;
    for (let i = 0; i < 2000; i++) highest = Math.max(highest, damp(f, h, 100, 100, 1).y);
    expect(highest / 100 - 1).toBeCloseTo(overshoot(h), 4);
    expect(overshoot({ ...h, ratio: 1 })).toBe(0);
  });

  test('a factor per frame is the half-life that does the same at its own rate', () => {
    const halfLife = halfLifeOfFactor(0.1, 60);
    let factor = 0;
    for (let i = 0; i < 30; i++) factor += (100 - factor) * 0.1;
    const f = damp({ y: 0, v: 0 }, { kind: 'half-life', halfLife }, 100, 100, 500);
    expect(f.y).toBeCloseTo(factor, 9);
    expect(halfLifeToCatchUp(0.5, 0.01)).toBeCloseTo(75.26, 2);
  });

  test('never lags more than its cap', () => {
    const f = { y: 0, v: 0 };
    damp(f, { kind: 'half-life', halfLife: 400, cap: 60 }, 0, 3000, 300);
    expect(3000 - f.y).toBeCloseTo(60, 9);
  });
});
