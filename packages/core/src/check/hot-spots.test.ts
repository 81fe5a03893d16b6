import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { makeClock } from '../gesture/index.ts';
import { makeDocument, motion } from '../testing/index.ts';
import type { TrialFrames } from '../trial/index.ts';
import { findHotSpots, listLateFrames } from './hot-spots.ts';
import type { Tried } from './hot-spots.ts';
import { DEFAULT_LIMITS } from './limits.ts';

/** Frames 100 px apart that cost this much, all of it paint. */
const frames = (costs: readonly number[]): TrialFrames => {
  const none = costs.map(() => 0);
  return {
    t: costs.map((_, i) => (i * 1000) / 60),
    y: costs.map((_, i) => i * 100),
    script: none,
    style: none,
    paint: [...costs],
    composite: none,
  };
};
const charge = (id: string, start: number, end: number, total: number) => ({
  motion: id,
  element: 0,
  start,
  end,
  parts: { script: 0, style: 0, paint: total, composite: 0 },
  total,
});
const document = makeDocument(motion({ id: 'm_a', name: 'Fog' }), motion({ id: 'm_b', name: 'Moon' }));
const tried = (costs: readonly number[], over: Partial<Tried> = {}): Tried => ({
  frames: frames(costs),
  charges: [charge('m_a', 0, 5000, 9), charge('m_b', 0, 20_000, 2)],
  clock: makeClock(60),
  document,
  how: 'predicted to cost',
  ...over,
});
const reducedMotion = (n: number) => Array.from({ length: n }, () => 4);

describe('hot spots', () => {
  test('are the dearest of places near each other, with the motion that costs most there', () => {
    const found = findHotSpots(
      tried([...reducedMotion(10), 20, 30, 21, ...reducedMotion(20), 18, ...reducedMotion(10)]),
    );
    expect(found.map((f) => f.at)).toEqual([1100, 3300]);
    expect(found[0]).toMatchObject({ about: 'm_a', brief: 'costs 30 ms a frame' });
    expect(itemAt(found, 0).sentence).toContain('of 2 motions “Fog” costs most, 9.0 ms');
  });
  test('that no motion has a part in are the page’s own', () =>
    expect(findHotSpots(tried([40], { charges: [] }))[0]).toMatchObject({ about: '', element: -1 }));
  test('are at most six, and none where every frame has time', () => {
    expect(findHotSpots(tried(Array.from({ length: 200 }, () => 25))).length).toBe(6);
    expect(findHotSpots(tried(reducedMotion(50)))).toEqual([]);
  });
  test('depend on the rate', () => {
    const costs = [12, ...reducedMotion(9)];
    expect(findHotSpots(tried(costs))).toEqual([]);
    expect(findHotSpots(tried(costs, { clock: makeClock(120) })).length).toBe(1);
  });
});

describe('late frames', () => {
  const late = (costs: readonly number[], over?: Partial<Tried>) =>
    listLateFrames(tried(costs, over), DEFAULT_LIMITS);
  test('are told past the limit, with what costs most along the whole page', () => {
    const found = present(late([...reducedMotion(90), ...Array.from({ length: 10 }, () => 22)]));
    expect(found.brief).toBe('90.0 % on time');
    expect(found.sentence).toContain('your limit is 98 %');
    // The fog costs more at a time, and over its way; the moon is cheap for long.
    expect(found.sentence).toContain('“Fog”');
  });
  test('a page that is nearly always just in time is told too', () => {
    expect(present(late([...reducedMotion(80), ...Array.from({ length: 20 }, () => 14)])).brief).toBe(
      'little time left',
    );
    expect(late([...reducedMotion(96), ...Array.from({ length: 4 }, () => 14)])).toBeNull();
  });
  test('of measured frames the screen says which were late, not their work', () => {
    const costs = Array.from({ length: 50 }, () => 10);
    const interval = costs.map((_, i) => (i % 5 === 0 ? 33.4 : 16.7));
    const found = present(late(costs, { frames: { ...frames(costs), interval }, how: 'measured to cost' }));
    expect(found.sentence).toMatch(/^80\.0 % of the frames were on time/);
    expect(late(costs, { frames: { ...frames(costs), interval: costs.map(() => 16.7) } })).toBeNull();
  });
});
