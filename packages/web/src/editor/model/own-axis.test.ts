import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emptyLayout } from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import { element } from '@lyvek/core/testing';
import { toRow } from '../strip/view.ts';
import { asOnPage, findOwnAxis, toPageOffset, viewAlong } from './own-axis.ts';

const layout: Layout = {
  ...emptyLayout({ width: 1000, height: 800 }),
  elements: [
    element({ selector: '#log', box: { x: 0, y: 2000, width: 600, height: 400 } }),
    element({ selector: '#log .inner', scroller: 1, box: { x: 0, y: 300, width: 600, height: 200 } }),
    element({ selector: '#bar', fixed: true, box: { x: 0, y: 0, width: 1000, height: 60 } }),
  ],
  scrollers: [
    { selector: null, port: { width: 1000, height: 800 }, max: { block: 3000, inline: 400 } },
    { selector: '#log', port: { width: 600, height: 400 }, max: { block: 1200, inline: 0 } },
    { selector: '#log .inner', port: { width: 600, height: 200 }, max: { block: 0, inline: 900 } },
    { selector: '#bar', port: { width: 1000, height: 60 }, max: { block: 0, inline: 700 } },
  ],
};
const block = { scroller: 1, axis: 'block' } as const;

test('what goes with the page keeps the view that is given; nothing of it is changed', () => {
  const view = { top: 120, per: 4 };
  expect(findOwnAxis({ scroller: 0, axis: 'block' }, layout)).toBeNull();
  expect(viewAlong({ scroller: 0, axis: 'block' }, layout, view)).toBe(view);
});

test('a scroller is drawn over the stretch of the page where it is in sight; one inside it over the same', () => {
  expect(findOwnAxis(block, layout)).toMatchObject({ from: 1200, to: 2400, max: 1200 });
  expect(findOwnAxis({ scroller: 2, axis: 'inline' }, layout)).toMatchObject({
    from: 1200,
    to: 2400,
    max: 900,
  });
});

test('what is fixed, and the page’s own way sideways, are in sight all along', () => {
  expect(findOwnAxis({ scroller: 3, axis: 'inline' }, layout)).toMatchObject({ from: 0, to: 3000, max: 700 });
  expect(findOwnAxis({ scroller: 0, axis: 'inline' }, layout)).toMatchObject({ from: 0, to: 3000, max: 400 });
});

test('a row of the own scale is the row of the page over which it is drawn, at every zoom', () => {
  const own = findOwnAxis(block, layout)!;
  fc.assert(
    fc.property(
      fc.double({ min: -500, max: 3000, noNaN: true }),
      fc.double({ min: 0, max: 3000, noNaN: true }),
      fc.double({ min: 1, max: 40, noNaN: true }),
      (offset, top, per) => {
        const row = toRow(offset, viewAlong(block, layout, { top, per }));
        expect(row).toBeCloseTo(toRow(toPageOffset(own, offset), { top, per }), 6);
      },
    ),
  );
  expect(asOnPage({ ...block, start: 0, end: 1200 }, layout)).toMatchObject({ start: 1200, end: 2400 });
});
