import { describe, expect, test } from '@jest/globals';
import { itemAt } from '../assert/index.ts';
import { withPins } from '../page/index.ts';
import { element, makeDocument, makeLayout, motion } from '../testing/index.ts';
import { findWorst, judge, lookedWords, scheduleProof } from './index.ts';
import type { Look } from './index.ts';

const document = makeDocument(
  motion({
    range: { start: 'cover 0%', end: 'cover 100%' },
    keyframes: {
      opacity: [
        { at: '0%', value: '0' },
        { at: '100%', value: '1' },
      ],
    },
  }),
);
const layout = withPins(makeLayout([element({ selector: '#a' })]), []);
const schedule = scheduleProof(document, layout, 20);
/** The element lies from 2,000 to 2,300 px, and the window is 800 px high. */
const shownAt = (y: number) => Math.min(1, Math.max(0, (y - 1200) / 1100));
const looks = (over: (y: number, i: number) => Partial<Look> = () => ({})): Look[] =>
  schedule.looks.map(({ y }, i) => ({ y, height: 9800, values: [[String(shownAt(y))]], ...over(y, i) }));

describe('a proof', () => {
  test('finds nothing where the browser shows what was predicted, and says how much it looked at', () => {
    const result = judge(document, layout, schedule, looks());
    expect(result.values).toBe(schedule.looks.length);
    expect(findWorst(itemAt(result.motions, 0))).toBeLessThan(0.01);
    expect(lookedWords(result)).toMatch(
      /^Looked at 1 of 1 motion, 1 of 1 element, \d+ values in \d+ looks\.$/,
    );
  });

  test('tells where it differs most', () => {
    const result = judge(
      document,
      layout,
      schedule,
      looks((y) => (y > 1500 && y < 1900 ? { values: [[String(shownAt(y) + 0.2)]] } : {})),
    );
    const [found] = result.motions;
    expect(found).toMatchObject({ property: 'opacity' });
    expect(findWorst(itemAt(result.motions, 0))).toBeGreaterThan(15);
  });

  test('leaves out looks at which the page is longer than at the others, and says so', () => {
    const grown = looks((_, i) => (i === 4 ? { height: 9850, values: [['0.9']] } : {}));
    const result = judge(document, layout, schedule, grown);
    expect(result.shifted).toBe(1);
    expect(findWorst(itemAt(result.motions, 0))).toBeLessThan(0.01);
    expect(lookedWords(result)).toContain('1 look left out');
    // Without it the same values are a difference.
    const plain = looks((_, i) => (i === 4 ? { values: [['0.9']] } : {}));
    expect(findWorst(itemAt(judge(document, layout, schedule, plain).motions, 0))).toBeGreaterThan(5);
  });
});
