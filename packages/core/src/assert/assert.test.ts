import { describe, expect, it } from '@jest/globals';
import { findOrMake, itemAt, lastItem, present } from './index.ts';

describe('what must be there', () => {
  it('is given back as it is, 0 and empty text too', () => {
    expect(itemAt([4, 0], 1)).toBe(0);
    expect(itemAt(new Float64Array([0.5]), 0)).toBe(0.5);
    expect(lastItem(['a', ''])).toBe('');
    expect(present(false)).toBe(false);
  });

  it('throws where it is not', () => {
    expect(() => itemAt([1], 1)).toThrow('No item 1 among 1.');
    expect(() => itemAt([1], -1)).toThrow(RangeError);
    expect(() => itemAt([null], 0)).toThrow(RangeError);
    expect(() => lastItem([])).toThrow(RangeError);
    expect(() => present(undefined)).toThrow(TypeError);
    expect(() => present(null)).toThrow(TypeError);
  });
});

it('what is kept under a key is made once, and again after too many others', () => {
  const known = new Map<string, object>();
  const ask = (key: string) => findOrMake(known, key, 2, () => ({ key }));
  const first = ask('a');
  ask('b');
  expect(ask('a')).toBe(first);
  ask('c');
  expect(known.size).toBe(1);
  expect(ask('a')).not.toBe(first);
});
