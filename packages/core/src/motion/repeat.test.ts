import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { itemAt, present } from '../assert/index.ts';
import { withPins } from '../page/index.ts';
import { staggerSteps } from '../timeline/index.ts';
import { element, makeDocument, makeLayout, motion } from '../testing/index.ts';
import { compileTimeline } from './compile.ts';
import { iterationProgress, unrolledDocument, unrolledMotion } from './repeat.ts';
import { sample, shownValue } from './sample.ts';
import { readDocument } from './schema.ts';
import { computeTimes } from './timed.ts';

const layout = withPins(makeLayout([element({ selector: '#a' })]), []);
const swing = motion({
  keyframes: {
    opacity: [
      { at: '0%', value: '0' },
      { at: '100%', value: '1' },
    ],
  },
});
const shownAt = (repeat: { count: number; alternate: boolean }, share: number): number => {
  const timeline = compileTimeline(makeDocument({ ...swing, repeat }), layout);
  const { start, end } = itemAt(timeline.instances, 0).placed;
  sample(timeline, [start + (end - start) * share, 0]);
  return Number(shownValue(timeline, 0, 'opacity'));
};
const repeats = fc.record({ count: fc.integer({ min: 2, max: 12 }), alternate: fc.boolean() });

describe('a repeat', () => {
  test('plays the same movement in every part of the range', () => {
    fc.assert(
      fc.property(repeats, fc.double({ min: 0.001, max: 0.999, noNaN: true }), (repeat, share) => {
        const place = share * repeat.count;
        // At a joint it is the one turn or the other.
        fc.pre(Math.abs(place - Math.round(place)) > 1e-3);
        expect(shownAt(repeat, share)).toBeCloseTo(iterationProgress(repeat, share), 4);
      }),
    );
  });
  test('there and back ends where an even number of times ends', () => {
    expect([shownAt({ count: 4, alternate: true }, 1), shownAt({ count: 3, alternate: true }, 1)]).toEqual([
      0, 1,
    ]);
    expect(iterationProgress({ count: 4, alternate: true }, 1)).toBe(0);
    expect(iterationProgress(undefined, 0.3)).toBe(0.3);
  });
  test('needs keyframes at both ends, and says so', () => {
    const open = { opacity: [{ at: '40%', value: '0' }] };
    const read = readDocument(
      makeDocument({ ...swing, keyframes: open, repeat: { count: 3, alternate: true } }),
    );
    expect(read.ok ? '' : itemAt(read.problems, 0).message).toContain('first or last keyframe is missing');
    expect(readDocument(makeDocument({ ...swing, repeat: { count: 3, alternate: true } })).ok).toBe(true);
  });
  test('of a timed motion lasts as many times its duration', () => {
    const timed = motion({
      ...{ driver: { kind: 'load' }, time: { delay: '50ms', duration: '200ms' } },
      repeat: { count: 5, alternate: false },
    });
    expect(computeTimes([timed]).get(timed.id)).toEqual({ start: 50, end: 1050 });
    expect(present(unrolledMotion(timed).time).duration).toBe('1000ms');
  });
  test('without one, documents and motions are the same objects', () => {
    const d = makeDocument(swing);
    expect([unrolledDocument(d), unrolledMotion(swing)]).toEqual([d, swing]);
    expect(unrolledDocument(d)).toBe(d);
  });
});

describe('the random order', () => {
  const targets = Array.from({ length: 9 }, (_, i) => i);
  test('has every place once, is the same for the same seed, and another for another', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), fc.integer({ min: 1, max: 200 }), (seed, count) => {
        const list = Array.from({ length: count }, (_, i) => i);
        const steps = staggerSteps({ order: 'random', seed }, list, layout);
        expect([...steps].sort((a, b) => a - b)).toEqual(list);
        expect(staggerSteps({ order: 'random', seed }, list, layout)).toEqual(steps);
      }),
    );
    const orders = [1, 2, 3, 4].map((seed) =>
      staggerSteps({ order: 'random', seed }, targets, layout).join(),
    );
    expect(new Set(orders).size).toBe(4);
  });
});
