import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEFAULT_LIMITS } from '../check/index.ts';
import { makeClock, findGesture } from '../gesture/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import type { Layout, Viewport } from '../page/index.ts';
import { makeDocument, element, makeLayout, motion } from '../testing/index.ts';
import { LayoutField } from './field.ts';
import { apartBy, layoutBetween, sameStructure } from './mix.ts';
import { GRID, SWEEP_SIZES, ZOOMED } from './sizes.ts';
import { corrected, sweeping } from './sweep.ts';
import type { Swept } from './sweep.ts';

/** A page that grows with its window: a screenful, a card whose place is a share of the width, a last line near the end. */
function pageAt({ width, height }: Viewport, narrow = 0): Layout {
  const length = 2 * height + 3000 + (width < narrow ? 900 : 0);
  const boxes = [
    { x: 0, y: 0, width, height },
    { x: 0.1 * width, y: height + 200, width: 0.5 * width, height: 300 },
    { x: 0, y: length - 240, width, height: 200 },
  ];
  const bare = makeLayout(
    boxes.map((box, i) => element({ selector: itemAt(['#top', '#card', '#last'], i), box })),
  );
  return {
    ...bare,
    viewport: { width, height },
    page: { width, height: length },
    scrollers: [{ selector: null, port: { width, height }, max: { block: length - height, inline: 0 } }],
  };
}

/** Measures what a field asks for until it asks no more. */
function swept(page: (v: Viewport) => Layout): { field: LayoutField; measured: number } {
  const field = new LayoutField();
  let measured = 0;
  for (let v = field.next(); v && measured < 500; v = field.next(), measured++) field.put(page(v));
  return { field, measured };
}

function sweep(document: MotionDocument, page: (v: Viewport) => Layout): Swept {
  const work = sweeping({
    document,
    layouts: swept(page).field.layouts,
    limits: DEFAULT_LIMITS,
    gesture: findGesture('brisk-wheel', 800),
    clock: makeClock(60),
    reducedMotion: false,
  });
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    expect(step.value.done).toBeLessThanOrEqual(step.value.of);
  }
}

describe('layouts at every size', () => {
  test('a page that grows evenly is measured at few sizes, and the rest is where it would be', () => {
    const { field, measured } = swept((v) => pageAt(v));
    expect(measured).toBeLessThan(0.4 * SWEEP_SIZES.length);
    expect(field.done).toBe(1);
    for (const { viewport } of SWEEP_SIZES)
      expect(apartBy(present(field.layoutAt(viewport)).layout, pageAt(viewport))).toBeLessThan(1e-6);
  });

  test('around a breakpoint it is measured more closely, and nothing is said to be where it is not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 330, max: 2500 }), (narrow) => {
        const { field, measured } = swept((v) => pageAt(v, narrow));
        expect(measured).toBeLessThanOrEqual(SWEEP_SIZES.length);
        for (const { viewport } of SWEEP_SIZES) {
          const there = present(field.layoutAt(viewport));
          expect(there.layout.viewport).toEqual(viewport);
          expect(apartBy(there.layout, pageAt(viewport, narrow))).toBeLessThan(1e-6);
        }
      }),
      { numRuns: 25 },
    );
  });

  test('before anything is measured nothing is known, and nothing is guessed beside what was', () => {
    const field = new LayoutField([pageAt({ width: 320, height: 480 })]);
    expect(field.layoutAt({ width: 320, height: 480 })?.kind).toBe('measured');
    expect(field.layoutAt({ width: 360, height: 480 })).toBeNull();
    expect(field.done).toBeLessThan(0.02);
  });

  test('two layouts with other elements have nothing in between', () => {
    const [a, b] = [pageAt({ width: 320, height: 480 }), pageAt({ width: 480, height: 480 })];
    const other = { ...b, elements: b.elements.slice(0, 2) };
    expect(sameStructure(a, b)).toBe(true);
    expect(apartBy(a, other)).toBe(Infinity);
  });

  test('in the middle of the page only what lies where within what counts', () => {
    const long = (y: number): Layout => {
      const bare = makeLayout([
        element({ selector: '#frame', box: { x: 0, y, width: 900, height: 400 } }),
        element({ selector: '#layer', parent: 0, box: { x: 0, y: y + 40, width: 900, height: 300 } }),
      ]);
      return { ...bare, page: { width: 1000, height: 10_000 } };
    };
    expect(apartBy(long(4000), long(4300))).toBe(0);
    expect(apartBy(long(300), long(340))).toBe(40);
  });

  test('a share of 0 and of 1 are the two themselves', () => {
    const [a, b] = [pageAt({ width: 320, height: 480 }), pageAt({ width: 2560, height: 1440 })];
    expect(layoutBetween(a, b, 0, a.viewport)).toEqual(a);
    expect(layoutBetween(a, b, 1, b.viewport)).toEqual(b);
  });
});

describe('a sweep', () => {
  test('covers the grid and the zoomed windows, each once', () => {
    expect(GRID.length).toBe(120);
    expect(ZOOMED.map((z) => z.viewport)).toContainEqual({ width: 640, height: 400 });
    expect(SWEEP_SIZES.every((s) => s.viewport.width >= 320 || s.zoomed)).toBe(true);
  });

  const late = makeDocument(
    motion({
      targets: { selector: '#last' },
      // The last line enters 240 px before the page ends: windows of up to 600 px reach what lies 40 % of them further.
      range: { start: 'entry 0%', end: 'cover calc(0% + 40vh)' },
    }),
  );
  test('a motion that tall windows never let finish is found at those, and only there', () => {
    const { sizes, found } = sweep(late, (v) => pageAt(v));
    const one = present(found.find((f) => f.finding.check === 'never-finishes'));
    for (const [i, { viewport, how }] of sizes.entries()) {
      expect(how).not.toBe('unknown');
      expect(one.at.includes(i)).toBe(viewport.height > 600);
    }
    expect(found.every((f) => f.at.every((i) => itemAt(sizes, i).found.includes(found.indexOf(f))))).toBe(
      true,
    );
  });

  test('its fix was tried at every size', () => {
    const { found } = sweep(late, (v) => pageAt(v));
    const one = present(found.find((f) => f.finding.check === 'never-finishes'));
    expect(one.finding.fix).not.toBeNull();
    const after = sweep(corrected(late, one), (v) => pageAt(v));
    expect(after.found).toEqual([]);
  });

  test('what holds for narrow windows only is judged, and mended, for those', () => {
    const document: MotionDocument = {
      ...makeDocument(
        motion({
          targets: { selector: '#card' },
          conditions: [{ media: 'w_narrow', range: { start: 'exit 90%', end: 'exit 10%' } }],
        }),
      ),
      media: [{ id: 'w_narrow', name: 'Narrow', query: '(width < 600px)' }],
    };
    const { sizes, found } = sweep(document, (v) => pageAt(v));
    const one = present(found.find((f) => f.finding.check === 'empty-range'));
    expect(one.at).toEqual(sizes.flatMap((s, i) => (s.viewport.width < 600 ? [i] : [])));
    const after = corrected(document, one);
    expect(itemAt(after.motions, 0).range).toEqual(itemAt(document.motions, 0).range);
    expect(itemAt(present(itemAt(after.motions, 0).conditions), 0).range).not.toEqual(
      itemAt(present(itemAt(document.motions, 0).conditions), 0).range,
    );
    expect(sweep(after, (v) => pageAt(v)).found.map((f) => f.finding.check)).not.toContain('empty-range');
  });

  test('sizes that were not measured are left out and said to be', () => {
    const work = sweeping({
      document: late,
      layouts: [pageAt({ width: 1280, height: 800 })],
      limits: DEFAULT_LIMITS,
      gesture: findGesture('brisk-wheel', 800),
      clock: makeClock(60),
      reducedMotion: false,
    });
    let step = work.next();
    while (!step.done) step = work.next();
    const { sizes } = step.value;
    expect(sizes.filter((s) => s.how !== 'unknown').map((s) => s.viewport)).toEqual([
      { width: 1280, height: 800 },
    ]);
  });
});
