import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { shippedCoefficients } from '../budget/index.ts';
import { clockById, findGesture } from '../gesture/index.ts';
import { compileTimeline } from '../motion/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { applyOperation } from '../edit/index.ts';
import { between } from '../effect/effect-definition.ts';
import { makeDocument, element, EDIT_NAMES, makeLayout, motion, RANDOM_EDITS } from '../testing/index.ts';
import { amountsAlong, simulate } from './simulate.ts';
import {
  findBand,
  fillBuckets,
  computeHistogram,
  partsAt,
  percentile,
  summarize,
  trialCsv,
} from './summary.ts';

const layout = makeLayout([
  element({ selector: '#a' }),
  element({ selector: '#b', box: { x: 0, y: 5200, width: 900, height: 700 } }),
]);
const trial = (
  motions: Motion[],
  over: Partial<{ gesture: string; clock: string; direction: 'down' | 'both' }> = {},
) => {
  const document = makeDocument(...motions);
  return simulate({
    document,
    timeline: compileTimeline(document, layout),
    gesture: findGesture(over.gesture ?? 'steady', 800),
    clock: clockById(over.clock ?? '60'),
    direction: over.direction ?? 'down',
    coefficients: shippedCoefficients('here'),
  });
};
const SLOW = { kind: 'half-life', halfLife: 120 } as const;
/** Cover of #a: 1200 to 2300. */
const rise = (over: Partial<Motion> = {}) =>
  motion({
    range: { start: 'cover 0%', end: 'cover 100%' },
    keyframes: { translate: between('0 220px', '0 0') },
    ...over,
  });

describe('smoothness', () => {
  test('a linear way under a steady hand has equal steps, as many px a frame as it says', () => {
    const f = itemAt(trial([rise()]).figures, 0);
    // 220 px over 1100 px of scroll, at 1000 px/s and 60 Hz.
    const step = (220 / 1100) * (1000 / 60);
    expect(f.medianStep).toBeCloseTo(step, 0);
    expect(f.peakStep).toBeLessThan(step + 0.3);
    expect(f.gain).toBeCloseTo(0.2, 3);
    expect(f.unevenness).toBeCloseTo(1, 3);
    expect(f.travel).toBeCloseTo(220, 1);
    expect(f.reversals).toBe(0);
    expect(f.smoothness).toBeGreaterThan(0.9);
    expect(f.frames).toBeGreaterThan(60);
  });
  test('steps are those of 60 Hz at every rate', () => {
    const [slow, fast] = ['60', '120'].map((clock) => itemAt(trial([rise()], { clock }).figures, 0));
    expect(Math.abs(present(fast).medianStep - present(slow).medianStep)).toBeLessThan(0.5);
  });
  test('an eased way is uneven, and turns back where it shoots over', () => {
    const eased = itemAt(trial([rise({ easing: 'cubic-bezier(0.1, 0.9, 0.2, 1)' })]).figures, 0);
    expect(eased.unevenness).toBeGreaterThan(3);
    const over = itemAt(trial([rise({ easing: 'cubic-bezier(0.3, 1.8, 0.6, 1)' })]).figures, 0);
    expect(over.reversals).toBe(1);
  });
  test('a jump of values is told from a kink of their speed', () => {
    const jumped = itemAt(trial([rise({ fill: 'none' })]).figures, 0);
    expect(jumped.jumps.length).toBe(1);
    expect(itemAt(jumped.jumps, 0).by).toBeCloseTo(220, 0);
    expect(itemAt(jumped.jumps, 0).at).toBeCloseTo(1200, 1);
    const bent = itemAt(
      trial([
        rise({
          keyframes: {
            translate: [
              { at: '0%', value: '0 220px' },
              { at: '20%', value: '0 0', easing: 'linear' },
              { at: '100%', value: '0 0' },
            ],
          },
        }),
      ]).figures,
      0,
    );
    expect(bent.jumps).toEqual([]);
    expect(bent.kinks.map((k) => Math.round(k.at))).toEqual([1200, 1420]);
    expect(itemAt(bent.kinks, 1).by).toBeCloseTo(1, 2);
    const stepped = itemAt(trial([rise({ easing: 'steps(4)' })]).figures, 0);
    expect(stepped.jumps.length).toBe(4);
  });
  test('a turn about the middle moves the corners', () => {
    const f = itemAt(trial([rise({ keyframes: { rotate: between('0deg', '90deg') } })]).figures, 0);
    const radius = Math.hypot(200, 150);
    expect(f.gain).toBeCloseTo((radius * Math.PI) / 2 / 1100, 2);
  });
  test('a page that jumps over it shows it in one step', () => {
    const f = itemAt(
      trial([rise({ range: { start: 'cover 40%', end: 'cover 50%' } })], { gesture: 'jump' }).figures,
      0,
    );
    expect(f.peakStep).toBeCloseTo(220, 0);
    expect(f.frames).toBe(0);
  });
  test('what is damped lags as much as the formula says, and settles', () => {
    const halfLife = 120;
    const f = itemAt(trial([rise({ damping: { kind: 'half-life', halfLife } })]).figures, 0);
    expect(Math.abs(f.lag / (1000 * (halfLife / 1000 / Math.LN2)) - 1)).toBeLessThan(0.02);
    expect(f.settle).toBeGreaterThan(halfLife);
  });
});

test('after any edits a trial says what one of the whole document says, with everything known of the parts that stayed', () => {
  const step = fc.tuple(fc.constantFrom(...EDIT_NAMES), fc.nat(99), fc.nat(99));
  let moved = 0;
  fc.assert(
    fc.property(fc.array(step, { minLength: 4, maxLength: 14, size: 'max' }), (list) => {
      let document = makeDocument(rise({ id: 'm_rise' }), rise({ id: 'm_damped', damping: SLOW }));
      const run = (d: MotionDocument) =>
        simulate({
          ...{ document: d, timeline: compileTimeline(d, layout), gesture: findGesture('brisk-wheel', 800) },
          ...{ clock: clockById('60'), direction: 'both', coefficients: shippedCoefficients('here') },
        });
      for (const [name, a, b] of list) {
        document = applyOperation(document, present(RANDOM_EDITS[name])(a, b)).document;
        const kept = run(document);
        expect(kept).toEqual(run(structuredClone(document)));
        moved += kept.figures.length;
      }
    }),
    { numRuns: 25 },
  );
  expect(moved).toBeGreaterThan(200);
});

describe('cost', () => {
  test('is dearer where something moves, and there alone', () => {
    const { frames } = trial([rise()]);
    frames.y.forEach((y, i) => {
      if (i === 0) return;
      const moves = y > 1200 && y < 2300;
      expect(itemAt(frames.style, i) > 0).toBe(moves);
    });
  });
  test('of two motions is that of each, added up', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 61, max: 100 }), (from, to) => {
        const range = { start: `cover ${from}%`, end: `cover ${to}%` };
        const b = motion({
          id: 'm_b',
          targets: { selector: '#b' },
          keyframes: { 'background-color': between('#000', '#fff') },
        });
        const [one, other, both, none] = [[rise({ range })], [b], [rise({ range }), b], []].map(
          (m) => trial(m).frames,
        );
        for (let i = 0; i < present(both).t.length; i += 37)
          expect(partsAt(present(both), i) - partsAt(present(none), i)).toBeCloseTo(
            partsAt(present(one), i) + partsAt(present(other), i) - 2 * partsAt(present(none), i),
            1,
          );
      }),
      { numRuns: 20 },
    );
  });
  test('what the fit is asked to explain is what the simulation charges', () => {
    const { frames } = trial([rise()]);
    const document = makeDocument(rise());
    const amounts = amountsAlong(compileTimeline(document, layout), frames.y);
    frames.y.forEach((_, i) => expect(itemAt(amounts, i).write > 0).toBe(itemAt(frames.style, i) > 0));
  });
});

describe('summary', () => {
  const frames = {
    t: [0, 16, 33, 50],
    y: [0, 90, 210, 260],
    script: [0, 0, 0, 1],
    style: [1, 2, 3, 1],
    paint: [0, 2, 20, 0],
    composite: [1, 1, 1, 1],
  };
  test('names the worst frame and how many are on time', () => {
    const s = summarize(frames, 60);
    expect([s.frames, s.onTime, s.worst, s.worstAt]).toEqual([4, 0.75, 24, 210]);
  });
  test('the dearest frame speaks for its stretch', () => {
    const buckets = fillBuckets(frames, 300);
    expect(buckets.map((b) => b.total)).toEqual([5, 0, 24]);
    expect(itemAt(buckets, 2).parts.paint).toBe(20);
    expect(buckets.map((b) => findBand(b.total, 16.7))).toEqual(['calm', 'calm', 'over']);
  });
  test('percentiles and histograms count every value once', () => {
    expect([0, 0.5, 0.95, 1].map((p) => percentile([1, 2, 3, 4], p))).toEqual([1, 2, 4, 4]);
    expect(computeHistogram([1, 5, 9, 900], 4, 4)).toEqual([1, 1, 1, 1]);
  });
});

test('there and back ends where it began', () => {
  const { frames } = trial([rise()], { direction: 'both' });
  expect([frames.y[0], frames.y.at(-1), Math.max(...frames.y)]).toEqual([0, 0, 9000]);
});

describe('measured frames', () => {
  const frames = {
    t: [0, 17, 34, 68],
    y: [0, 10, 20, 40],
    script: [1, 1, 1, 1],
    style: [30, 0, 0, 0],
    paint: [0, 0, 0, 0],
    composite: [0, 0, 0, 0],
    interval: [17, 17, 34, 16],
  };
  test('are late where the next one came late, not where threads side by side worked long', () =>
    expect(summarize(frames, 60).onTime).toBe(0.75));
  test('go into a table with a head line', () => {
    const setup = {} as never;
    const csv = trialCsv({ frames, setup } as never);
    expect(csv.split('\r\n').slice(0, 2)).toEqual([
      'ms,px,script,style,paint,composite,interval',
      '0,0,1,30,0,0,17',
    ]);
    expect(csv.trim().split('\r\n').length).toBe(5);
  });
});
