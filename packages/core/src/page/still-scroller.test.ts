import { itemAt } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { element, makeLayout } from '../testing/index.ts';
import type { Layout } from './layout.ts';
import { canBeClipped, isStill, mapBox, openedAround, pageBox } from './still-scroller.ts';

/** A band with a list in it, and a word in the list. */
const nested = (band: string, list: string, room = { block: 0, inline: 0 }): Layout => {
  const plain = makeLayout([
    element({ selector: '#band', overflow: band, box: { x: 0, y: 3000, width: 1000, height: 500 } }),
    element({
      selector: '#list',
      scroller: 1,
      overflow: list,
      box: { x: 40, y: 60, width: 400, height: 300 },
    }),
    element({ selector: '#word', scroller: 2, box: { x: 5, y: 20, width: 100, height: 30 } }),
  ]);
  const inner = (selector: string) => ({ selector, port: { width: 400, height: 300 }, max: room });
  return { ...plain, scrollers: [itemAt(plain.scrollers, 0), inner('#band'), inner('#list')] };
};

describe('scrollers that a reader cannot scroll', () => {
  test('a box with its place on the page, whatever scrolls around it', () => {
    expect(pageBox(nested('hidden', 'auto'), 2)).toEqual({ x: 45, y: 3080, width: 100, height: 30 });
    expect(pageBox(nested('hidden', 'auto'), 0).y).toBe(3000);
  });

  test('on a map the whole of what is scrolled fills its scroller', () => {
    const layout = nested('hidden', 'auto', { block: 300, inline: 400 });
    // Half of each way through, in the list as through in the band.
    expect(mapBox(layout, 2)).toEqual({
      x: 50 + 2.5 * 1.25,
      y: 3050 + 10 * (500 / 600),
      width: 62.5,
      height: expect.closeTo(12.5, 5),
    });
    expect(mapBox(layout, 0)).toEqual(itemAt(layout.elements, 0).box);
  });

  test.each([
    ['hidden', { block: 0, inline: 0 }, true, true],
    // More of it is there than is shown, but no reader gets to it.
    ['hidden', { block: 400, inline: 0 }, true, true],
    ['auto', { block: 400, inline: 0 }, false, false],
    // Nothing to scroll at this size; at another one there may be.
    ['auto', { block: 0, inline: 0 }, true, false],
    // A gallery: hidden downwards because it scrolls sideways.
    ['auto hidden', { block: 0, inline: 900 }, true, false],
  ] as const)(
    'overflow: %s with room %o stands still %s, can be clipped %s',
    (overflow, room, still, clips) => {
      const layout = nested(overflow, 'visible', room);
      expect([isStill(layout, 1, 'block'), canBeClipped(layout, 1)]).toEqual([still, clips]);
    },
  );

  test('the page itself never stands still', () => {
    expect(isStill(nested('hidden', 'auto'), 0, 'block')).toBe(false);
  });

  test('clipping what stands still puts an element where it is seen, and says what clips', () => {
    const { layout, clipped } = openedAround(nested('hidden', 'hidden'), 2);
    expect(clipped).toEqual(['#list', '#band']);
    expect(layout.elements[2]).toMatchObject({ scroller: 0, box: { x: 45, y: 3080 } });
    const gallery = nested('hidden', 'auto', { block: 200, inline: 0 });
    expect(openedAround(gallery, 2)).toEqual({ layout: gallery, clipped: [] });
  });
});
