import { describe, expect, test } from '@jest/globals';
import { NO_ANIMATIONS, listAnimations } from './animation-lists.ts';
import { isException, joinedParts, splitExcept, widenable } from './widen.ts';

describe('a rule and its exceptions', () => {
  test.each([
    ['.card:not(.late)', ['.card'], ['.late']],
    [':is(h1, .lead):not(h2, [lang="a)b"])', ['h1', '.lead'], ['h2', '[lang="a)b"]']],
    ['.a > .b:not(.a > .b.c)', ['.a > .b'], ['.a > .b.c']],
  ])('%s is all but some', (selector, all, but) => expect(splitExcept(selector)).toEqual({ all, but }));
  test.each([
    '.card',
    '.card:not(.a) > b',
    ':not(.a)',
    '.a :not(.b)',
    '.a:not(.b), .c:not(.d)',
    '.a:not(.b):hover',
  ])('%s is no such selector', (selector) => expect(splitExcept(selector)).toBeNull());

  const moved = (selector: string, more: Record<string, string> = {}) => ({
    selector,
    set: listAnimations([{ 'animation-name': 'rise', ...more }]),
  });
  const wide = moved('.card:not(.late)');
  test.each([
    [
      'the exception has a rule that wins',
      wide,
      [wide, moved('.card.late')],
      [wide, moved('.card.late')],
      true,
    ],
    ['the exception has no rule', wide, [wide], [wide], false],
    [
      'in another group it has to weigh more',
      moved('.card:not(.late)'),
      [wide],
      [wide, moved('.late')],
      false,
    ],
    ['in the same one it comes later', wide, [wide, moved('.late')], [wide, moved('.late')], true],
    ['of all that is written only whole lists count', wide, [wide], [wide], false],
    [
      'what a shorthand does not take back stays apart',
      moved('.card:not(.late)', { 'animation-composition': 'add' }),
      [wide, moved('.card.late')],
      [wide, moved('.card.late')],
      false,
    ],
  ])('%s', (_, style, group, whole, expected) => expect(widenable(style, group, whole)).toBe(expected));

  test.each([
    ['.card.late', '.card:not(.late)', true],
    ['.late.card', '.card:not(.late)', true],
    ['.late', '.card:not(.late)', true],
    ['.card:nth-child(even)', '.card:not(.card:nth-child(even))', true],
    ['.card.late.old', '.card:not(.late)', false],
    ['.card', '.card', false],
  ])('%s is an exception of %s: %s', (one, of, expected) =>
    expect(isException(moved(one), moved(of))).toBe(expected),
  );

  test('a joined rule does not name what it finds already', () => {
    expect(joinedParts(['.card:not(.late)', '.card.late', 'p'], new Set(['.card:not(.late)']))).toEqual([
      '.card',
      'p',
    ]);
    expect(joinedParts(['.card', '.card .late', '.card::after'], new Set())).toEqual([
      '.card',
      '.card .late',
      '.card::after',
    ]);
  });

  test('no animations is a list too', () => expect(NO_ANIMATIONS['animation-name']).toEqual(['none']));
});
