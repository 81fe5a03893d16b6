import { describe, expect, test } from '@jest/globals';
import { fitCoefficients, QUANTITIES, shippedCoefficients } from '@lyvek/core';
import type { TrialResult } from '@lyvek/core';
import { makeDocument, element, makeLayout, motion } from '@lyvek/core/testing';
import { measuredFrames } from './fit-unit-costs.ts';

const layout = makeLayout([element({ selector: '#a' })]);
const setup = {
  gesture: 'steady',
  values: {},
  clock: '60',
  direction: 'down',
  viewport: { width: 1000, height: 800 },
  device: 'here',
  repeats: 1,
} as const;
/** Frames over the whole page, with as much style as a moving element costs 0.5 ms. */
const trial = (n: number, over: object = {}) => {
  const y = Array.from({ length: n }, (_, i) => (i * 9000) / n);
  const flat = (ms: number) => y.map(() => ms);
  const style = y.map((at) => (at > 1200 && at < 1750 ? 0.5 : 0));
  const frames = {
    t: y.map((_, i) => i * 16),
    y,
    script: flat(0),
    style,
    paint: flat(0),
    composite: flat(2),
  };
  const result: TrialResult = {
    format: 'lyvek-trial',
    version: 1,
    kind: 'lab',
    setup,
    frames,
    events: [],
    spread: [],
    notes: [],
  };
  return { document: makeDocument(motion()), result, ...over };
};

describe('frames for a fit', () => {
  test('know what was asked of the browser where the page stood', () => {
    const frames = measuredFrames(trial(500), [layout]);
    expect(frames).toHaveLength(500);
    const writing = frames.filter((f) => f.amounts.write > 0);
    expect(writing.length).toBeGreaterThan(20);
    expect(writing.every((f) => f.cost.style === 0.5 || f.cost.style === 0)).toBe(true);
    const fitted = fitCoefficients('here', frames);
    expect(fitted.unitCosts.write).toBeGreaterThan(0.4);
    expect(fitted.unitCosts.write).toBeLessThan(0.6);
    // What never occurred keeps the price that Lyvek comes with.
    expect(fitted.unitCosts.blur).toBe(shippedCoefficients('here').unitCosts.blur);
    expect(QUANTITIES.write.part).toBe('style');
  });
  test('a long trial counts no more than others', () =>
    expect(measuredFrames(trial(6000), [layout]).length).toBeLessThanOrEqual(600));
  test('there are none without a layout of that size, or where something cannot be read any more', () => {
    expect(measuredFrames(trial(50), [])).toEqual([]);
    expect(measuredFrames(trial(50, { document: { format: 'other' } }), [layout])).toEqual([]);
    expect(measuredFrames(trial(50, { result: null }), [layout])).toEqual([]);
  });
});
