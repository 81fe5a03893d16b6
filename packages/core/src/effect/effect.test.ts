import { describe, expect, test } from '@jest/globals';
import { readDocument } from '../motion/index.ts';
import { documentOf, element, layoutOf, motion } from '../testing/index.ts';
import { placeRange } from '../timeline/index.ts';
import { EFFECTS, startingPoint } from './index.ts';

const card = element({ selector: '#a' });
const first = element({ selector: '#first', box: { x: 0, y: 20, width: 1000, height: 200 } });
const last = element({ selector: '#last', box: { x: 0, y: 9750, width: 300, height: 40 } });
const layout = layoutOf([card, first, last]);

describe.each(EFFECTS.map((e) => [e.name, e] as const))('%s', (_name, effect) => {
  test.each([card, first, last])('gives a document that can be read, for $selector', (e) => {
    const built = effect.build(e, layout);
    expect(readDocument(documentOf(motion({ ...built, targets: { selector: e.selector } }))).ok).toBe(true);
  });
  test('ends where the element is as the page shows it', () => {
    const { keyframes } = effect.build(card, layout);
    for (const [property, stops] of Object.entries(keyframes))
      expect([property, ['1', '0 0', '0deg', 'blur(0px)'].includes(stops.at(-1)!.value)]).toEqual([
        property,
        true,
      ]);
  });
});

describe('where reveals happen', () => {
  test('what stands high in the first screen plays backwards as it leaves, and can be seen from the start', () => {
    const point = startingPoint(
      EFFECTS.find((e) => e.id === 'rise')!,
      first,
      layout,
    );
    expect(point.leaving).toBe(true);
    expect(point.keyframes.opacity!.map((s) => s.value)).toEqual(['1', '0']);
    const placed = placeRange(motion().driver, point.range, 1, layout);
    if ('reason' in placed) throw new Error(placed.reason);
    expect(placed.start).toBeGreaterThanOrEqual(0);
    expect(startingPoint(EFFECTS[0]!, card, layout).leaving).toBe(false);
  });
  test('what is seen at once starts with the page, what lies at its end is done with it', () => {
    const fade = EFFECTS.find((e) => e.id === 'fade')!;
    expect(fade.build(first, layout).range.start).toBe('scroll 0%');
    expect(fade.build(last, layout).range.end).toBe('scroll 100%');
  });
  test('a slide from the right never widens the page, and says when it has no room', () => {
    const slide = EFFECTS.find((e) => e.id === 'from-right')!;
    expect(slide.unfit!(first, layout)).toMatch(/sideways/);
    expect(slide.unfit!(card, layout)).toBeNull();
  });
});
