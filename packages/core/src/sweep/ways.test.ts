import { present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { DEFAULT_LIMITS } from '../check/index.ts';
import { makeClock, findGesture } from '../gesture/index.ts';
import { makeDocument, fadeAndRise, motion } from '../testing/index.ts';
import { PAGE } from '../testing/specimen-parts.ts';
import { tryingWays } from './ways.ts';
import type { WayFigures, WaysQuestion } from './ways.ts';

const brief = makeDocument(
  motion({
    name: 'Brief',
    keyframes: fadeAndRise('0 80px'),
    range: { start: 'contain 40%', end: 'contain 62%' },
  }),
);
function tried(over: Partial<WaysQuestion> = {}): { steps: number; figures: WayFigures[] } {
  const work = tryingWays({
    document: brief,
    layouts: [PAGE],
    gestures: (port) => ['brisk-wheel', 'jump'].map((key) => ({ key, gesture: findGesture(key, port) })),
    clocks: [makeClock(60), makeClock(120)],
    direction: 'down',
    limits: DEFAULT_LIMITS,
    device: 'here',
    dpr: 1,
    unitCosts: null,
    reducedMotion: false,
    ...over,
  });
  for (let steps = 0; ; steps++) {
    const step = work.next();
    if (step.done) return { steps, figures: step.value };
    expect(step.value.done).toBe(steps + 1);
  }
}
const at = (list: readonly WayFigures[], gesture: string, clock: string) =>
  present(list.find((f) => f.gesture === gesture && f.clock === clock));

describe('every way of scrolling', () => {
  test('is tried at every rate and size, a step each', () => {
    const { steps, figures } = tried({ layouts: [PAGE, { ...PAGE, viewport: { width: 390, height: 844 } }] });
    expect([steps, figures.length]).toEqual([8, 8]);
    expect(new Set(figures.map((f) => `${f.gesture} ${f.clock} ${f.viewport.width}`)).size).toBe(8);
  });

  test('more frames a second show more of a short motion, and its finding goes', () => {
    const { figures } = tried();
    const [slow, fast] = [at(figures, 'brisk-wheel', '60'), at(figures, 'brisk-wheel', '120')];
    expect(present(fast.fewestFrames).value).toBeGreaterThan(present(slow.fewestFrames).value);
    expect(slow.findings.map((f) => f.check)).toContain('too-few-frames');
    expect(fast.findings.map((f) => f.check)).not.toContain('too-few-frames');
  });

  test('a hand that leaps is not asked how many frames it shows', () =>
    expect(at(tried().figures, 'jump', '60').fewestFrames).toBeNull());

  test('a page that nothing hangs on has no figures of motions', () => {
    const [one] = tried({ document: makeDocument() }).figures;
    expect(one).toMatchObject({ fewestFrames: null, longestStep: null, onTime: 1, findings: [] });
  });

  test('holds the media conditions of each size', () => {
    const document = {
      ...brief,
      media: [{ id: 'w_narrow', name: 'Narrow', query: '(width < 500px)' }],
      motions: brief.motions.map((m) => ({ ...m, conditions: [{ media: 'w_narrow', on: false }] })),
    };
    const { figures } = tried({
      document,
      layouts: [PAGE, { ...PAGE, viewport: { width: 390, height: 844 } }],
    });
    expect(figures.filter((f) => f.fewestFrames).map((f) => f.viewport.width)).toEqual([1000, 1000]);
  });
});
