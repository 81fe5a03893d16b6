import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CLOCKS, clockById, makeClock, frameTimes } from '../gesture/clock.ts';
import { damp, overshoot, settleTime, steadyLag } from './damping.ts';
import type { Damping } from './damping.ts';
import { findGesture, GESTURES, recordedGesture, runGesture } from '../gesture/gesture.ts';
import { HAND_INPUTS, respond } from './response.ts';
import { readTrace, traceCsv, traceOffset } from '../gesture/trace.ts';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** y″ or y′ of the equations themselves, by a fourth-order Runge–Kutta with small steps: knows nothing of closed forms. */
function integrated(how: Damping, hand: (t: number) => number, until: number, steps: number): number {
  const rate = ([y, v]: [number, number], t: number): [number, number] => {
    if (how.kind === 'half-life') return [((hand(t) - y) * Math.LN2) / how.halfLife, 0];
    if (how.kind === 'none') return [0, 0];
    const w = (2 * Math.PI * how.frequency) / 1000;
    // The damper sits between the hand and what follows: it brakes against the page at rest.
    return [v, w * w * (hand(t) - y) - 2 * how.ratio * w * v];
  };
  let s: [number, number] = [0, 0];
  const h = until / steps;
  const move = (a: [number, number], b: [number, number], by: number): [number, number] => [
    a[0] + b[0] * by,
    a[1] + b[1] * by,
  ];
  for (let i = 0; i < steps; i++) {
    const t = i * h;
    const k1 = rate(s, t);
    const k2 = rate(move(s, k1, h / 2), t + h / 2);
    const k3 = rate(move(s, k2, h / 2), t + h / 2);
    const k4 = rate(move(s, k3, h), t + h);
    s = [
      s[0] + (h / 6) * (k1[0] + 2 * k2[0] + 2 * k3[0] + k4[0]),
      s[1] + (h / 6) * (k1[1] + 2 * k2[1] + 2 * k3[1] + k4[1]),
    ];
  }
  return s[0];
}

const how: fc.Arbitrary<Damping> = fc.oneof(
  fc.record({ kind: fc.constant('half-life' as const), halfLife: number(20, 500) }),
  fc.record({ kind: fc.constant('spring' as const), frequency: number(0.5, 6), ratio: number(0.15, 2.5) }),
);

describe('damping against numerical integration', () => {
  test('agrees to a millionth over ramps', () => {
    fc.assert(
      fc.property(how, number(0.1, 4), (h, slope) => {
        const f = { y: 0, v: 0 };
        for (let i = 0; i < 30; i++)
          damp(f, h, (i * slope * 1000) / 60, ((i + 1) * slope * 1000) / 60, 1000 / 60);
        const want = integrated(h, (t) => slope * t, 500, 6000);
        expect(Math.abs(f.y - want)).toBeLessThan(1e-6 * Math.max(1, Math.abs(want)));
      }),
      { numRuns: 60 },
    );
  });
  test('agrees to a millionth after a jump', () => {
    fc.assert(
      fc.property(how, number(10, 3000), (h, jump) => {
        const f = { y: 0, v: 0 };
        for (let i = 0; i < 24; i++) damp(f, h, jump, jump, 12.5);
        const want = integrated(h, () => jump, 300, 6000);
        expect(Math.abs(f.y - want)).toBeLessThan(1e-6 * Math.max(1, Math.abs(want)));
      }),
      { numRuns: 60 },
    );
  });
});

describe('gestures against numerical integration of their speed', () => {
  test.each(GESTURES.filter((d) => d.id !== 'jump').map((d) => [d.name, d] as const))(
    '%s goes as far as its speed says',
    (_name, d) => {
      const g = findGesture(d.id, 800);
      // The mean of a central difference over an interval is the way gone; a distance that leaps would show here.
      const n = 40_000;
      const h = 3000 / n;
      let sum = 0;
      for (let i = 0; i < n; i++) {
        const t = (i + 0.5) * h;
        sum += ((g.distance(t + h / 8) - g.distance(t - h / 8)) / (h / 4)) * h;
      }
      expect(Math.abs(sum - g.distance(3000))).toBeLessThan(1e-6 * g.distance(3000) * 40);
    },
  );
  test('momentum is the integral of a fading speed', () => {
    const { speed, fade } = { speed: 3200, fade: 380 };
    const g = findGesture('trackpad-flick', 800);
    for (const t of [50, 300, 850]) {
      let sum = 0;
      const n = 20_000;
      for (let i = 0; i < n; i++) sum += ((speed / 1000) * Math.exp(-((i + 0.5) * t) / n / fade) * t) / n;
      expect(g.distance(t)).toBeCloseTo(sum, 4);
    }
  });
});

describe('response', () => {
  const fine = makeClock(1000);
  test('figures of a step and a ramp agree with the formulas within 1 %', () => {
    fc.assert(
      fc.property(how, (h) => {
        const step = respond(h, HAND_INPUTS.step(600), fine, 600);
        expect(Math.abs(step.settled / settleTime(h, 600) - 1)).toBeLessThan(0.01);
        expect(Math.abs(step.overshoot - overshoot(h))).toBeLessThan(0.01);
      }),
      { numRuns: 60 },
    );
    const h: Damping = { kind: 'half-life', halfLife: 40 };
    const ramp = respond(h, HAND_INPUTS.ramp(600), fine, 600);
    expect(Math.abs(ramp.lag / steadyLag(h, 1200) - 1)).toBeLessThan(0.01);
  });
  test('the same at every refresh rate, where frames share the knees', () => {
    const h: Damping = { kind: 'spring', frequency: 2.2, ratio: 0.7 };
    const [slow, fast] = [60, 120].map((hz) => respond(h, HAND_INPUTS.step(600), makeClock(hz), 600));
    for (let i = 0; i < 20; i++)
      expect(present(slow).shown[i]).toBeCloseTo(itemAt(present(fast).shown, i * 2), 9);
  });
  test('without damping nothing lags', () => {
    const r = respond({ kind: 'none' }, HAND_INPUTS.flick(600), makeClock(60), 600);
    expect([r.lag, r.overshoot]).toEqual([0, 0]);
  });
});

describe('clocks', () => {
  test.each(CLOCKS.map((c) => [c.name, c] as const))('%s runs forwards, in whole refreshes', (_n, c) => {
    const at = frameTimes(c);
    for (let i = 1; i < 400; i++) {
      const refreshes = ((at(i) - at(i - 1)) * c.refresh) / 1000;
      expect(refreshes).toBeGreaterThan(0.999);
      expect(Math.abs(refreshes - Math.round(refreshes))).toBeLessThan(1e-6);
    }
  });
});

describe('recorded', () => {
  const trace = {
    format: 'lyvek-trace' as const,
    version: 1 as const,
    name: 'Down and a little up',
    samples: [
      { t: 0, y: 0 },
      { t: 100, y: 300 },
      { t: 200, y: 240 },
      { t: 216.7, y: 900 },
    ],
  };
  test('is replayed as it was, as far as the page reaches', () => {
    const { times, offsets } = runGesture(recordedGesture(trace), 0, 800, clockById('60'));
    offsets.forEach((y, i) =>
      expect(y).toBe(Math.round(Math.min(800, Math.max(0, traceOffset(trace, itemAt(times, i)))))),
    );
    expect(offsets.at(-1)).toBe(800);
  });
  test('goes out as CSV and comes back', () => {
    const back = readTrace(traceCsv(trace), trace.name);
    expect(back).toEqual({ trace });
  });
  test.each([
    ['ms,px\n0,0\n16,forty', /Line 3/],
    ['{"format":"lyvek-trace"', /complete JSON/],
    ['0,0', /samples/],
  ])('says what is wrong with %j', (text, error) => {
    const read = readTrace(text, 'x');
    expect('error' in read ? read.error : '').toMatch(error);
  });
});
