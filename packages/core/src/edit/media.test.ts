import { itemAt, present } from '../assert/index.ts';
import { expect, test } from '@jest/globals';
import { readDocument } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { makeDocument, motion } from '../testing/index.ts';
import { countUses, withMedia, withoutMedia, withoutOverride } from './media.ts';

const NARROW = { id: 'q_n', name: 'Narrow', query: '(width < 600px)' };
const doc = (): MotionDocument => ({
  ...makeDocument(
    motion({
      conditions: [
        {
          media: 'q_n',
          on: false,
          range: { start: 'entry 20%', end: 'cover 40%' },
          keyframes: { opacity: [{ at: '0%', value: '0.4' }] },
        },
      ],
    }),
    motion({ id: 'm_b' }),
  ),
  media: [NARROW],
});

test('a condition is added once and changed in its place', () => {
  const added = withMedia({ id: 'q_l', name: 'Low', query: '(height < 400px)' })(doc());
  expect(added.media.map((m) => m.id)).toEqual(['q_n', 'q_l']);
  const changed = withMedia({ ...NARROW, query: '(width < 500px)' })(added);
  expect(changed.media.map((m) => m.query)).toEqual(['(width < 500px)', '(height < 400px)']);
});

test('a condition that goes takes along what was written for it, and nothing else', () => {
  const left = withoutMedia('q_n')(doc());
  expect(left.motions[0]).toEqual(motion());
  expect(readDocument(left).ok).toBe(true);
  expect(countUses(doc(), 'q_n')).toBe(1);
});

test('one part after the other is given up; with the last the override itself goes', () => {
  let d = doc();
  for (const [part, left] of [
    ['off', ['media', 'range', 'keyframes']],
    ['start', ['media', 'range', 'keyframes']],
    ['opacity', ['media', 'range']],
  ] as const) {
    d = withoutOverride('m_a', 'q_n', part)(d);
    expect(Object.keys(itemAt(present(itemAt(d.motions, 0).conditions), 0)).sort()).toEqual([...left].sort());
    expect(readDocument(d).ok).toBe(true);
  }
  expect(itemAt(present(itemAt(d.motions, 0).conditions), 0).range).toEqual({ end: 'cover 40%' });
  d = withoutOverride('m_a', 'q_n', 'end')(d);
  expect(itemAt(d.motions, 0).conditions).toBeUndefined();
});
