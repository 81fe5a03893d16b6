import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ranked, computeRank } from './ranked.ts';

const LIST = [
  { name: 'Grow', what: 'Swells past its size and settles.' },
  { name: 'Settle', what: 'Shrinks to its size.' },
  { name: 'Parallax, slower', words: 'slow depth far', what: 'Moves at half the speed of the page.' },
  { name: 'slow', what: 'Kept by you.' },
  { name: 'Slow start', what: 'Begins late.' },
  { name: 'Échelle', what: 'A name with an accent.' },
];
const find = (query: string) => ranked(query, LIST, (x) => x).map((x) => x.name);

describe('search', () => {
  test('a name comes before a description that has the word', () => {
    expect(find('settle')).toEqual(['Settle', 'Grow']);
  });
  test('the exact name, then names that begin so, then other words for it', () => {
    expect(find('slow')).toEqual(['slow', 'Slow start', 'Parallax, slower']);
  });
  test('accents and capitals do not matter, several words all must be there', () => {
    expect(find('echelle')).toEqual(['Échelle']);
    expect(find('half page')).toEqual(['Parallax, slower']);
    expect(find('half moon')).toEqual([]);
  });
  test('an empty query keeps everything in its order', () => {
    expect(find('  ')).toEqual(LIST.map((x) => x.name));
  });
  test('whatever is typed, a name that is typed whole is first or shares the first rank', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (name, what) => {
        expect(computeRank(name, { name, what })).toBe(0);
      }),
    );
  });
});
