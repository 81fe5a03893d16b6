import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { itemAt, present } from '../assert/index.ts';
import { applyOperation } from '../edit/index.ts';
import { compileTimeline, emptyDocument, sample, shownValue } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import { element, makeLayout } from '../testing/index.ts';
import { addFragment, composeEffect, effectById } from './effect.ts';
import { findDepth, setDepth } from './set-depth.ts';

const box = (y: number) => ({ x: 0, y, width: 300, height: 200 });
const layout = withPins(
  makeLayout([
    element({ selector: '#top', box: box(100) }),
    element({ selector: '#free', box: box(1500) }),
    element({ selector: '#frame', box: box(2500), overflow: 'clip', tag: 'div' }),
    element({ selector: '#layer', box: box(2500), parent: 2 }),
  ]),
  [],
);
let ids = 0;
const withParallax = (effect: string, at: number): MotionDocument => {
  const context = { layout, element: at, document: emptyDocument(), newId: (k: string) => `${k}_${++ids}` };
  const made = composeEffect(present(effectById(effect)), context);
  return applyOperation(emptyDocument(), addFragment(effect, made)).document;
};
const motionIn = (d: MotionDocument) => itemAt(d.motions, 0);
const factor = fc.oneof(
  fc.integer({ min: 10, max: 300 }).filter((n) => n !== 100),
  fc.integer({ min: -200, max: -10 }),
);
const factors = factor.map((n) => n / 100);

describe('parallax as two numbers', () => {
  test.each([
    ['far', 0, 0.5, null],
    ['near', 0, 1.4, null],
    ['far', 1, 0.5, 0.5],
    ['near', 1, 1.4, 0.5],
    ['far', 3, 0.5, 0.5],
  ])('%s at %d has %d', (effect, at, wanted, line) => {
    expect(findDepth(motionIn(withParallax(effect, at)))).toEqual({ factor: wanted, line });
  });

  test('any speed and any line that are written are read again', () => {
    fc.assert(
      fc.property(fc.constantFrom(1, 3), factors, fc.integer({ min: 0, max: 100 }), (at, k, line) => {
        const d = withParallax('far', at);
        const next = applyOperation(d, setDepth(motionIn(d), { factor: k, line: line / 100 })).document;
        const read = present(findDepth(motionIn(next)));
        // Only four digits are written; the range of a reference in the middle says the factor by its length.
        expect(Math.abs(read.factor - k)).toBeLessThan(0.02);
        expect(Math.abs(present(read.line) - line / 100)).toBeLessThan(0.01);
      }),
    );
  });

  test('it moves by that share of what is scrolled, and is undisplaced at its line', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 250 }), fc.integer({ min: 20, max: 80 }), (percent, line) => {
        if (percent === 100) return;
        const d = withParallax('far', 1);
        const k = percent / 100;
        const next = applyOperation(d, setDepth(motionIn(d), { factor: k, line: line / 100 })).document;
        const timeline = compileTimeline(next, layout);
        const port = layout.viewport.height;
        const at = (y: number) => {
          const offsets = new Float64Array(layout.scrollers.length * 2);
          offsets[0] = y;
          sample(timeline, offsets);
          return Number.parseFloat(
            present(/(-?[\d.]+)px$/.exec(present(shownValue(timeline, 1, 'translate'))))[1] ?? '',
          );
        };
        const rest = 1600 - (line / 100) * port;
        expect(Math.abs(at(rest))).toBeLessThan(0.3);
        expect(at(rest + 50) - at(rest)).toBeCloseTo((1 - k) * 50, 0);
      }),
    );
  });

  test('a layer in a frame is made larger with its speed', () => {
    const d = withParallax('far', 3);
    const next = applyOperation(d, setDepth(motionIn(d), { factor: 0.8, line: 0.5 })).document;
    const heights = [d, next].map((x) => itemAt(x.adjustments, 0).declarations.height);
    expect(heights[0]).not.toBe(heights[1]);
    expect(heights[1]).toContain('0.1 * (100vh');
  });

  test('other motions are none', () => {
    const d = withParallax('far', 1);
    const m = motionIn(d);
    expect(findDepth({ ...m, easing: 'ease-in' })).toBeNull();
    expect(findDepth({ ...m, keyframes: { opacity: present(m.keyframes.translate) } })).toBeNull();
  });
});
