import { itemAt } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { element, makeLayout } from '../testing/index.ts';
import { LayoutSchema } from './layout.ts';
import type { Layout } from './layout.ts';

const page = (): Layout => makeLayout([element({ selector: '#a' }), element({ selector: '#b', parent: 0 })]);
const why = (layout: unknown) => {
  const parsed = LayoutSchema.safeParse(layout);
  return parsed.success ? null : itemAt(parsed.error.issues, 0).message;
};
const withElement = (i: number, change: object): Layout => {
  const layout = page();
  return { ...layout, elements: layout.elements.map((e, k) => (k === i ? { ...e, ...change } : e)) };
};

describe('a layout makes sense', () => {
  test('as it is measured', () => expect(why(page())).toBeNull());

  test.each([
    ['a parent that is not there', withElement(1, { parent: 7 }), /which is not there/],
    ['a circle', withElement(0, { parent: 1 }), /lies in itself/],
    ['its own parent', withElement(0, { parent: 0 }), /lies in itself/],
    ['a section that is not there', withElement(0, { section: 3 }), /section 3/],
    ['a scroller that is not there', withElement(0, { scroller: 9 }), /scroller 9/],
    ['a negative size', withElement(0, { box: { x: 0, y: 0, width: -1, height: 2 } }), /negative/],
    ['a match beyond the end', { ...page(), matches: { '#a': [2] } }, /#a matches/],
    ['a height beyond all browsers', { ...page(), page: { width: 100, height: 4e7 } }, /Too big/],
    ['a number that is none', { ...page(), page: { width: 100, height: NaN } }, /NaN/],
  ])('not with %s', (_, layout, message) => expect(why(layout)).toMatch(message));

  test('any tree of parents is judged, and a sound one is one that leads to the page from everywhere', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -1, max: 5 }), { minLength: 6, maxLength: 6 }), (parents) => {
        const layout = makeLayout(parents.map((parent, i) => element({ selector: `#e${i}`, parent })));
        const leads = (i: number, steps = 0): boolean =>
          i < 0 || (steps < 7 && leads(itemAt(parents, i), steps + 1));
        expect(why(layout) === null).toBe(parents.every((_, i) => leads(i)));
      }),
    );
  });
});
