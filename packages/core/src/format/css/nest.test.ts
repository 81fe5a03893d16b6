import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { unnested } from '../../css-import/source/selector.ts';
import { nested } from './nest.ts';
import type { NestedRule, WrittenRule } from './nest.ts';

const rule = (selector: string, line = 'opacity: 1;', within?: string): WrittenRule => ({
  selector,
  within,
  lines: [line],
  pieces: [],
});

/** As the platform reads it: `&` put in, one rule after the other. */
function unnest(rules: readonly NestedRule[], around: string | null = null): string[] {
  return rules.flatMap(({ selector, within = '', lines, inside }) => {
    const full = around === null ? selector : selector === '' ? around : unnested(selector, [around])?.[0];
    return [...lines.map((l) => `${within} ${full}: ${l}`), ...unnest(inside, full)];
  });
}
const inFull = (rules: readonly WrittenRule[]): string[] =>
  rules.flatMap((r) => r.lines.map((l) => `${r.within ?? ''} ${r.selector}: ${l}`));
const heads = (rules: readonly NestedRule[]): unknown[] =>
  rules.map((r) => (r.inside.length ? [r.selector, ...heads(r.inside)] : r.selector));

describe('nested rules', () => {
  test.each([
    [
      ['.card', '.card.late', '.card:nth-child(2)', '.card h2'],
      [['.card', '&.late', '&:nth-child(2)', '& h2']],
    ],
    [['#s1 .a', '#s1 > .b', '#s1 + .c'], [['#s1', '.a', '> .b', '+ .c']]],
    // Names that begin alike, lists, words, pseudo-elements and single rules stay as they are.
    [
      ['.card', '.cards'],
      ['.card', '.cards'],
    ],
    [
      ['.a', '.a, .b', '.a b, .c'],
      ['.a', '.a, .b', '.a b, .c'],
    ],
    [
      ['main h2', 'main p'],
      ['main h2', 'main p'],
    ],
    [['.a::before', '.a::after'], [['.a', '&::before', '&::after']]],
    [
      ['.a .b', '.c'],
      ['.a .b', '.c'],
    ],
    [['.a .b .c', '.a .b .d', '.a .e'], [['.a', ['.b', '.c', '.d'], '.e']]],
    [['.a .b .c', '.a .b .d'], [['.a .b', '.c', '.d']]],
  ])('%j', (selectors, expected) => {
    expect(heads(nested(selectors.map((s) => rule(s))))).toEqual(expected);
  });

  test('a condition stands inside of its own rule only', () => {
    const [a, b, c] = [
      rule('.a'),
      rule('.a', 'scale: 1;', '@supports (x: y)'),
      rule('.a .b', 'scale: 1;', '@supports (x: y)'),
    ];
    expect(nested([a, b])[0]?.inside).toMatchObject([{ selector: '', within: '@supports (x: y)' }]);
    expect(heads(nested([a, c]))).toEqual(['.a', '.a .b']);
  });

  test('what an element gets moves down to what is inside of it, unless something between says the same', () => {
    const [own, other, inner] = [rule('.a', 'view-timeline: --a;'), rule('.x', 'scale: 1;'), rule('.a b')];
    expect(heads(nested([own, other, inner]))).toEqual(['.x', ['.a', '& b']]);
    const same = rule('.x', 'view-timeline-inset: 2px;');
    expect(heads(nested([own, same, inner]))).toEqual(['.a', '.x', '.a b']);
  });

  test('read as the platform reads it, they are the same rules in the same order', () => {
    const parts = ['.a', '.a.b', '#c', 'h2', '.d:nth-child(2)', '.d::before', ':is(.a, .b)'];
    const selector = fc
      .array(fc.tuple(fc.constantFrom(' ', ' > ', ' + '), fc.constantFrom(...parts)), {
        minLength: 1,
        maxLength: 3,
      })
      .map((list) => list.map(([by, part], i) => (i === 0 ? part : by + part)).join(''))
      .filter((s) => !/::before./.test(s));
    const one = fc.tuple(selector, fc.constantFrom(undefined, '@supports (x: y)'));
    let nests = 0;
    fc.assert(
      fc.property(fc.array(one, { minLength: 2, maxLength: 8 }), (list) => {
        const rules = list.map(([s, within], i) => rule(s, `scale: ${i};`, within));
        const made = nested(rules);
        nests += made.filter((r) => r.inside.length).length;
        expect(unnest(made)).toEqual(inFull(rules));
      }),
      { numRuns: 400 },
    );
    expect(nests).toBeGreaterThan(50);
  });
});
