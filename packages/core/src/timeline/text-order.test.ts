import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { lastItem } from '../assert/index.ts';
import { shareParts, TEXT_ORDERS } from './text-order.ts';

describe('the order of the parts of a text', () => {
  test('law: every order begins at 0 and ends at 1, within both', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 400 }),
        fc.constantFrom(...TEXT_ORDERS),
        fc.nat(999),
        (n, order, seed) => {
          const shares = shareParts(n, order, seed);
          expect(shares).toHaveLength(n);
          expect(Math.min(...shares)).toBe(0);
          // Two in the middle are alike, so of two there is no later one.
          expect(Math.max(...shares)).toBe(order === 'middle' && n === 2 ? 0 : 1);
          if (order === 'middle') expect(shares).toEqual(shares.toReversed());
        },
      ),
    );
  });
  test('in reading order they are evenly apart; the same seed is the same order', () => {
    expect(shareParts(5, 'reading')).toEqual([0, 0.25, 0.5, 0.75, 1]);
    expect(shareParts(5, 'middle')).toEqual([1, 0.5, 0, 0.5, 1]);
    expect(shareParts(40, 'random', 7)).toEqual(shareParts(40, 'random', 7));
    expect(shareParts(40, 'random', 7)).not.toEqual(shareParts(40, 'random', 8));
    expect(shareParts(40, 'random', 7).toSorted((a, b) => a - b)).toEqual(shareParts(40, 'reading'));
  });
  test('one alone is the first, and none is none', () => {
    for (const order of TEXT_ORDERS) expect([shareParts(1, order), shareParts(0, order)]).toEqual([[0], []]);
    expect(lastItem(shareParts(2, 'reading'))).toBe(1);
  });
});
