import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { element, makeLayout } from '../testing/index.ts';
import { computeDistance, withPins } from './pin.ts';
import type { PinSpec } from './pin.ts';

const pin = (over: Partial<PinSpec> = {}): PinSpec => ({
  id: 'p_1',
  on: true,
  stage: '#stage',
  sticky: { by: 'top', inset: '0px' },
  distance: { kind: 'length', value: '600px' },
  ...over,
});
const layout = {
  ...makeLayout([
    element({ selector: '#above', box: { x: 0, y: 500, width: 1000, height: 300 } }),
    element({ selector: 'main', box: { x: 0, y: 0, width: 1000, height: 9800 } }),
    element({ selector: '#stage', parent: 1, box: { x: 0, y: 2000, width: 1000, height: 700 } }),
    element({ selector: '#inner', parent: 2, box: { x: 50, y: 2100, width: 200, height: 100 } }),
    element({ selector: '#below', parent: 1, box: { x: 0, y: 2700, width: 1000, height: 300 } }),
    element({ selector: '#fixed', fixed: true, box: { x: 0, y: 2900, width: 100, height: 40 } }),
    element({ selector: '#strip', parent: 2, box: { x: 0, y: 2200, width: 2400, height: 200 } }),
  ]),
  sections: [
    { name: 'Stage', top: 2000, height: 700 },
    { name: 'Below', top: 2700, height: 300 },
  ],
};
const at = (l: ReturnType<typeof withPins>, s: string) => present(l.elements.find((e) => e.selector === s));

describe('a pin', () => {
  test('holds its stage and all in it, and moves what lies below', () => {
    const held = withPins(layout, [pin()]);
    expect(held.pinnedSpans).toEqual([
      { id: 'p_1', stage: 2, by: 'top', scroller: 0, start: 2000, end: 2600, top: 0 },
    ]);
    expect(at(held, '#inner').sticky).toEqual({ edge: 'start', at: 2000, travel: 600 });
    expect([at(held, '#above').box.y, at(held, '#below').box.y, at(held, '#fixed').box.y]).toEqual([
      500, 3300, 2900,
    ]);
    expect([at(held, 'main').box.height, held.page.height, itemAt(held.scrollers, 0).max.block]).toEqual([
      10400, 10400, 9600,
    ]);
    expect(itemAt(held.sections, 1).top).toBe(3300);
  });

  test('held by its bottom lies at the end of its track, and is ahead of that place until it lets go', () => {
    const held = withPins(layout, [pin({ sticky: { by: 'bottom', inset: '100px' } })]);
    expect(held.pinnedSpans[0]).toMatchObject({ start: 2000, end: 2600, top: 0 });
    expect(at(held, '#stage').sticky).toEqual({ edge: 'end', at: 2600, travel: 600 });
    expect(at(held, '#stage').box.y).toBe(2600);
  });

  test.each([
    [pin({ stage: '#nowhere' }), 'no element'],
    [pin({ stage: '#fixed' }), 'fixed'],
  ])('that cannot hold says why', (p, words) => {
    const held = withPins(layout, [p]);
    expect(held.pinnedSpans).toEqual([]);
    expect(itemAt(held.loose, 0).reason).toContain(words);
    expect(held.page).toEqual(layout.page);
  });

  test('inside another one does not pin', () => {
    const held = withPins(layout, [pin(), pin({ id: 'p_2', stage: '#inner' })]);
    expect(held.pinnedSpans.map((h) => h.id)).toEqual(['p_1']);
    expect(itemAt(held.loose, 0).reason).toContain('inside another');
  });

  test('as long as a strip’s travel counts what does not fit, by its rate', () => {
    const travel = { kind: 'travel' as const, strip: '#strip', rate: 2 };
    expect(computeDistance(pin({ distance: travel }), withPins(layout, []), 2)).toBe(700);
  });

  test('measured in place and then changed gives what a new one gives', () => {
    const span = fc.integer({ min: 1, max: 3000 });
    fc.assert(
      fc.property(span, span, fc.constantFrom('top' as const, 'bottom' as const), (was, is, by) => {
        const long = (n: number) =>
          pin({ sticky: { by, inset: '40px' }, distance: { kind: 'length', value: `${n}px` } });
        const held = withPins(layout, [long(was)]);
        const { elements, page, scrollers, sections } = held;
        const measured = {
          ...layout,
          elements,
          page,
          scrollers,
          sections,
          pins: [{ id: 'p_1', element: 2, by, distance: was }],
        };
        const again = withPins(measured, [long(is)]);
        const fresh = withPins(layout, [long(is)]);
        expect(again.pinnedSpans).toEqual(fresh.pinnedSpans);
        expect(again.elements).toEqual(fresh.elements);
        expect(withPins(measured, []).elements.map((e) => e.box)).toEqual(layout.elements.map((e) => e.box));
      }),
    );
  });

  test('asked twice, the same layout answers', () => {
    const pins = [pin()];
    expect(withPins(layout, pins)).toBe(withPins(withPins(layout, pins), pins));
  });
});
