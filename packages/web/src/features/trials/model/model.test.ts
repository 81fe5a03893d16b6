import { describe, expect, test } from '@jest/globals';
import { splitStretches } from '@lyvek/core';
import { motion } from '@lyvek/core/testing';
import type { Bucket, Charge, MotionFigures } from '@lyvek/core';
import { bucketSize } from '../../../editor/strip/bands.ts';
import { toAxis, findPeaks } from './costs.ts';
import { rank } from './ranking.ts';

const bucket = (from: number, total: number): Bucket => ({
  from,
  to: from + 100,
  frames: 5,
  parts: { script: 0, style: 0, paint: 0, composite: total },
  total,
});
const charge = (id: string, start: number, end: number, total: number): Charge => ({
  motion: id,
  element: 0,
  start,
  end,
  parts: { script: 0, style: 0, paint: 0, composite: total },
  total,
});
const view = { top: 0, per: 10 };

describe('costs along the page', () => {
  test('bars stand for a round number of px and are never thinner than four rows', () => {
    expect(bucketSize({ top: 0, per: 16 })).toBe(100);
    for (const per of [1, 7, 16, 33, 90, 400])
      expect(bucketSize({ top: 0, per }) / per).toBeGreaterThanOrEqual(4);
  });
  test('the axis reaches beyond the budget, and to the dearest frame', () => {
    expect(toAxis([bucket(0, 2)], 16)).toBe(20);
    expect(toAxis([bucket(0, 50)], 16)).toBeGreaterThan(50);
  });
  test('neighbours of one band are one stretch', () =>
    expect(
      splitStretches([bucket(0, 2), bucket(100, 3), bucket(200, 13), bucket(300, 20), bucket(400, 1)], 16),
    ).toEqual([
      { from: 0, to: 200, band: 'calm' },
      { from: 200, to: 300, band: 'near' },
      { from: 300, to: 400, band: 'over' },
      { from: 400, to: 500, band: 'calm' },
    ]));
  test('peaks keep apart, come in page order, and name what costs most there', () => {
    const buckets = [bucket(0, 4), bucket(100, 9), bucket(200, 8), bucket(2000, 7)];
    const charges = [charge('a', 0, 150, 2), charge('b', 90, 250, 5), charge('c', 1990, 2300, 1)];
    const peaks = findPeaks(buckets, charges, view);
    expect(peaks.map((p) => [p.bucket.from, p.charge.motion])).toEqual([
      [100, 'b'],
      [2000, 'c'],
    ]);
    expect(findPeaks(buckets, [], view)).toEqual([]);
  });
});

const figures = (id: string, smoothness: number, peakStep = 1): MotionFigures => ({
  motion: id,
  element: 0,
  start: 0,
  end: 100,
  frames: 10,
  peakStep,
  medianStep: 1,
  peakAt: 0,
  peakOpacity: 0,
  peakBlur: 0,
  travel: 0,
  jumps: [],
  kinks: [],
  gain: 1,
  unevenness: 1,
  reversals: 0,
  arc: 0,
  smoothness,
  lag: 0,
  settle: 0,
});

describe('the ranking', () => {
  const motions = [motion({ id: 'm_a' }), motion({ id: 'm_b' }), motion({ id: 'm_c' })];
  test('counts the target that goes worst, and comes roughest first', () => {
    const ranked = rank(motions, [
      figures('m_a', 0.9),
      figures('m_b', 0.95),
      figures('m_b', 0.4),
      figures('m_c', 0.9, 30),
    ]);
    expect(ranked.map((r) => [r.motion.id, r.figures.smoothness, r.targets])).toEqual([
      ['m_b', 0.4, 2],
      ['m_c', 0.9, 1],
      ['m_a', 0.9, 1],
    ]);
  });
  test('leaves out motions that the document no longer has', () =>
    expect(rank([], [figures('m_a', 1)])).toEqual([]));
});
