import { present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { doubts, droppedIn, framesOfRide, riddenResult, medianRun, toRefresh, runCost } from './measured.ts';
import type { Ridden } from './measured.ts';
import { partsAt } from './summary.ts';
import { TrialResultSchema, TrialSetupSchema } from './trial.ts';

const setup = TrialSetupSchema.parse({
  gesture: 'steady',
  clock: '60',
  direction: 'down',
  viewport: { width: 1000, height: 800 },
  device: 'this',
});
const FRAME = 1000 / 60;
const ridden = (over: Partial<Ridden> = {}, n = 60, frame = FRAME): Ridden => ({
  idle: Array.from({ length: 40 }, () => frame),
  t: Array.from({ length: n }, (_, i) => i * frame),
  y: Array.from({ length: n }, (_, i) => i * 20),
  busy: Array.from({ length: n }, () => 3),
  long: [],
  shifts: [],
  hidden: false,
  ...over,
});
const result = (runs: Ridden[], how = { hidden: false, seen: 1 }) =>
  riddenResult(setup, [ridden(), ...runs], how);

describe('frames of the user’s own browser', () => {
  test('all columns are equally long, and nothing costs less than nothing', () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 300, noNaN: true }), { minLength: 1, maxLength: 50 }),
        fc.array(
          fc.record({
            t: fc.double({ min: 0, max: 2000, noNaN: true }),
            y: fc.constant(0),
            duration: fc.double({ min: 50, max: 900, noNaN: true }),
            script: fc.double({ min: 0, max: 900, noNaN: true }),
            style: fc.double({ min: 0, max: 900, noNaN: true }),
          }),
          { maxLength: 5 },
        ),
        (busy, long) => {
          const frames = framesOfRide(ridden({ busy, long }, busy.length));
          for (const column of Object.values(frames)) expect(column).toHaveLength(busy.length);
          busy.forEach((_, i) => expect(partsAt(frames, i)).toBeGreaterThanOrEqual(0));
        },
      ),
    ));
  test('a long frame has its own parts, in the frame that was under way', () => {
    const frames = framesOfRide(
      ridden({ long: [{ t: 10 * FRAME, y: 200, duration: 150, script: 120, style: 10 }] }),
    );
    expect([frames.script[10], frames.style[10], frames.paint[10]]).toEqual([120, 10, 20]);
    expect(frames.script[9]).toBe(0);
    expect(frames.style[9]).toBe(3);
  });
  test.each([
    [60, '60'],
    [90, '90'],
    [119.8, '120'],
    [144, '120'],
  ])('a screen of %d Hz counts as the clock %s', (rate, clock) =>
    expect(toRefresh(Array.from({ length: 40 }, () => 1000 / rate)).clock).toBe(clock),
  );
  test('missed refreshes are counted by the screen’s own rate', () => {
    const slow = framesOfRide(ridden({}, 3, 50));
    expect(droppedIn(slow, 60).map((e) => e.size)).toEqual([2, 2, 2]);
    expect(droppedIn(slow, 120).map((e) => e.size)).toEqual([5, 5, 5]);
    expect(droppedIn(framesOfRide(ridden()))).toEqual([]);
  });
});

describe('several runs', () => {
  const run = (busy: number) => framesOfRide(ridden({ busy: Array.from({ length: 60 }, () => busy) }));
  test('the one of median cost is kept', () => {
    const [a, b, c] = [run(1), run(9), run(4)];
    expect(medianRun([a, b, c])).toBe(c);
    expect(runCost(c)).toBeCloseTo(240, 9);
    expect(medianRun([])).toBeUndefined();
  });
  test('that differ much are doubted', () => {
    expect(doubts([100, 110, 120])).toEqual([]);
    expect(doubts([100, 150])[0]).toMatch(/differ by 50 %/);
  });
});

describe('a trial measured here', () => {
  const notes = (...args: Parameters<typeof result>) => present(result(...args)).notes.join(' ');
  test('is a whole trial with what the browser told, in the order of time', () => {
    const r = present(
      result([
        ridden({
          long: [{ t: 300, y: 300, duration: 80, script: 60, style: 5 }],
          shifts: [{ t: 200, y: 190, score: 0.02 }],
        }),
      ]),
    );
    expect(TrialResultSchema.safeParse(r).success).toBe(true);
    expect(r.events.map((e) => [e.kind, e.y])).toEqual([
      ['shift', 190],
      ['long-frame', 300],
    ]);
    expect(r.notes).toEqual([]);
  });
  test('leaves out the run that warms up', () => {
    const r = present(
      riddenResult(setup, [ridden({ busy: new Array(60).fill(99) as number[] }), ridden()], {
        hidden: false,
        seen: 1,
      }),
    );
    expect(r.spread).toEqual([180]);
  });
  test('says when it cannot be believed', () => {
    expect(notes([ridden({ hidden: true })])).toMatch(/hidden/);
    expect(notes([ridden()], { hidden: true, seen: 1 })).toMatch(/hidden/);
    expect(notes([ridden()], { hidden: false, seen: 0.8 })).toMatch(/80 %/);
    const busy = Array.from({ length: 40 }, (_, i) => (i % 4 ? FRAME : 2 * FRAME));
    expect(notes([ridden({ idle: busy })])).toMatch(/10 of 40 frames were late before/);
    expect(notes([ridden({}, 60, 1000 / 144)])).toMatch(/144 frames a second/);
  });
  test('is none without frames', () => expect(result([ridden({}, 1)])).toBeNull());
});
