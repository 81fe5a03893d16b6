import { itemAt } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { framesInRange, findGesture, GESTURES, runGesture, toDuration } from './gesture.ts';

test('how long a gesture takes is when its run arrives', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...GESTURES.map((g) => g.id)),
      fc.integer({ min: 0, max: 60_000 }),
      fc.integer({ min: 400, max: 1200 }),
      (id, distance, port) => {
        const gesture = findGesture(id, port);
        expect(toDuration(gesture, distance)).toBe(runGesture(gesture, 0, distance, 60).times.at(-1));
      },
    ),
  );
});

describe.each(GESTURES.map((d) => [d.name, d] as const))('%s', (_name, d) => {
  const g = findGesture(d.id, 800);
  test('runs from here to there, never backwards, on whole pixels', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 4000 }),
        fc.integer({ min: 0, max: 4000 }),
        fc.constantFrom(60, 90, 120),
        (from, to, hz) => {
          const { offsets, times } = runGesture(g, from, to, hz);
          expect(offsets[0]).toBe(from);
          expect(offsets.at(-1)).toBe(to);
          const sign = Math.sign(to - from);
          const backwards = offsets.findIndex((y, i) => i > 0 && (y - itemAt(offsets, i - 1)) * sign < 0);
          expect([backwards, offsets.every(Number.isInteger)]).toEqual([-1, true]);
          expect(times.length).toBe(offsets.length);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('twice the refresh rate shows about twice the frames', () => {
    // Jumps show no frame on their way, however many there are.
    if (d.id === 'jump') return expect(framesInRange(g, { start: 1000, end: 2300 }, 6000, 120)).toBe(0);
    const span = { start: 1000, end: 2400 };
    const [at60, at120] = [60, 120].map((hz) => framesInRange(g, span, 6000, hz)) as [number, number];
    expect(at120).toBeGreaterThan(at60 * 1.7);
    expect(at120).toBeLessThan(at60 * 2.4);
  });

  test('a longer range never shows fewer frames', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 3000 }),
        fc.integer({ min: 0, max: 1500 }),
        fc.integer({ min: 0, max: 1500 }),
        (start, a, b) => {
          const [short, long] = [Math.min(a, b), Math.max(a, b)];
          expect(framesInRange(g, { start, end: start + long }, 6000, 60)).toBeGreaterThanOrEqual(
            framesInRange(g, { start, end: start + short }, 6000, 60),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  test('every constant says where it comes from', () => {
    for (const c of Object.values(d.constants)) expect(c.source.length).toBeGreaterThan(10);
  });
});

test('constants stay within their bounds, whatever is asked for', () => {
  const { values } = findGesture('brisk-wheel', 800, { 'brisk-wheel': { every: 1e9, notch: -5, odd: 3 } });
  expect(values).toEqual({ notch: 20, every: 600, eased: 140 });
  expect(findGesture('no such gesture', 800).id).toBe('brisk-wheel');
});
test('strokes go with the height of the scrollport', () => {
  for (const id of ['slow-read', 'page-keys', 'jump'])
    expect(findGesture(id, 1600).period).toBeCloseTo(2 * findGesture(id, 800).period, 9);
});
