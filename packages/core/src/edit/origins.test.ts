import { expect, test } from '@jest/globals';
import { readDocument } from '../motion/index.ts';
import { makeDocument, motion } from '../testing/index.ts';
import { applyOperation } from './operation.ts';
import { everyFifth, spreadOrigins, thrownOrigin } from './origins.ts';
import { removeThings } from './remove.ts';
import { setTarget } from './retarget.ts';

let n = 0;
const newId = (kind: string) => `${kind}_${n++}`;
const grow = makeDocument(
  motion({
    id: 'm_g',
    name: 'Grow',
    targets: { selector: '.tile' },
    keyframes: { scale: [{ at: '0%', value: '0' }] },
  }),
);
const spread = applyOperation(
  {
    ...grow,
    adjustments: [
      {
        id: 'a_old',
        selector: '.tile',
        declarations: { 'transform-origin': '0 0', 'will-change': 'scale' },
        for: ['m_g'],
      },
    ],
  },
  spreadOrigins('m_g', newId as never),
).document;

test('five origins in turn, instead of the one before; the same each time', () => {
  const origins = spread.adjustments.flatMap((a) => a.declarations['transform-origin'] ?? []);
  expect(origins).toEqual(everyFifth('.tile').map(thrownOrigin));
  expect(new Set(origins).size).toBe(5);
  expect(spread.adjustments.find((a) => a.id === 'a_old')?.declarations).toEqual({ 'will-change': 'scale' });
  expect(readDocument(spread).ok).toBe(true);
  // Asked for again, nothing is there twice.
  const again = applyOperation(spread, spreadOrigins('m_g', newId as never)).document;
  expect(again.adjustments).toHaveLength(6);
});

test('they go along to other elements, and leave with the motion', () => {
  const moved = applyOperation(spread, setTarget('m_g', '.card, .plate', newId as never)).document;
  const selectors = moved.adjustments.map((a) => a.selector);
  expect(selectors).toEqual(['.card, .plate', ...everyFifth('.card, .plate')]);
  expect(selectors.at(-1)).toBe(':is(.card, .plate):nth-child(5n + 5)');
  expect(applyOperation(moved, removeThings(['m_g'], 'delete')).document.adjustments).toEqual([]);
});
