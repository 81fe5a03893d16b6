import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compileTimeline, listDifferences, withPins, itemAt, present } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { makeDocument, element, makeLayout, motion } from '@lyvek/core/testing';
import { offsetAt, toRow } from '../../../editor/strip/view.ts';
import {
  clampAxis,
  firstAxis,
  markOffsets,
  largestDifference,
  computeOffsets,
  makeView,
  zoomAxis,
} from './axis.ts';
import { listChanges, changeWords } from './difference-words.ts';
import { figureRows } from './figures.ts';
import type { Figures } from './figures.ts';
import { drawnAtOffset, computeDrawn, motionPairs, listProperties } from './pairs.ts';
import { placeWords } from './place-words.ts';
import { placedAt } from './placed-at.ts';

const PIN: MotionDocument['pins'][number] = {
  id: 'p_1',
  name: 'Dome opens',
  on: true,
  stage: '#a',
  sticky: { by: 'top', inset: '0px' },
  distance: { kind: 'length', value: '1000px' },
  overlap: ['0px', '0px'],
  layer: 0,
};
const LAYOUT = makeLayout([element({ selector: '#a', box: { x: 0, y: 2000, width: 1000, height: 800 } })]);

describe('the axis of the strips', () => {
  const max = fc.integer({ min: 0, max: 60_000 });
  const axis = fc.record({
    middle: fc.integer({ min: -9000, max: 90_000 }),
    apart: fc.integer({ min: 1, max: 9000 }),
  });
  test('keeps every picture on the page, in order', () =>
    fc.assert(
      fc.property(axis, max, (a, m) => {
        const offsets = computeOffsets(clampAxis(a, m), m);
        expect(Math.min(...offsets)).toBeGreaterThanOrEqual(0);
        expect(Math.max(...offsets)).toBeLessThanOrEqual(m);
        expect(offsets).toEqual([...offsets].sort((x, y) => x - y));
      }),
    ));
  test('each picture stands beside its own offset', () => {
    const view = makeView({ middle: 4000, apart: 480 }, 700);
    computeOffsets({ middle: 4000, apart: 480 }, 9000).forEach((o, k) =>
      expect(toRow(o, view)).toBeCloseTo(700 * ((k + 0.5) / 5), 6),
    );
  });
  test('zooming leaves what is under the pointer where it is, away from the page’s ends', () => {
    const from = { middle: 20_000, apart: 400 };
    const to = zoomAxis(from, 2, 20_300, 60_000);
    expect(to.apart).toBe(200);
    expect(toRow(20_300, makeView(to, 700))).toBeCloseTo(toRow(20_300, makeView(from, 700)), 0);
  });
  test('a page shorter than its pictures shows all of them on it', () =>
    expect(computeOffsets(firstAxis(30, 800, 60), 60)).toEqual([0, 15, 30, 45, 60]));
  test('marks lie on round offsets inside the page, five rows apart at least', () => {
    const view = makeView({ middle: 2000, apart: 480 }, 700);
    const { step, offsets } = markOffsets(view, 700, 9000);
    expect(step).toBe(20);
    expect(step / view.per).toBeGreaterThanOrEqual(5);
    for (const o of offsets) {
      expect(o % step).toBe(0);
      expect(o).toBeGreaterThanOrEqual(Math.max(0, offsetAt(0, view) - 1e-6));
    }
    expect(markOffsets(makeView({ middle: 30_000, apart: 15_000 }, 700), 700, 60_000).step).toBeGreaterThan(
      20,
    );
  });
  test('the place where they are most different is found; alike everywhere, it says so', () => {
    expect(largestDifference((y) => Math.exp(-(((y - 3000) / 400) ** 2)), 9000).at).toBeCloseTo(3000, -2);
    expect(largestDifference(() => 0, 9000)).toEqual({ at: 4500, much: 0 });
  });
});

describe('what differs, in words', () => {
  const words = (a: MotionDocument, b: MotionDocument) =>
    listDifferences(a, b).differing.map((d) => listChanges(d).map(changeWords));
  const scale = (to: string) =>
    motion({
      keyframes: {
        scale: [
          { at: '0%', value: '1' },
          { at: '100%', value: to },
        ],
      },
    });
  test('values, ranges, times and what is missing', () => {
    expect(words(makeDocument(scale('1.6')), makeDocument(scale('1.9')))).toEqual([['scale 1.6 → 1.9']]);
    expect(
      words(
        makeDocument(motion()),
        makeDocument(motion({ range: { start: 'entry 20%', end: 'contain 50%' } })),
      ),
    ).toEqual([['start entry 0 % → entry 20 %']]);
    expect(words(makeDocument(motion()), makeDocument())).toEqual([['fade in → none']]);
    expect(words(makeDocument(), makeDocument(motion()))).toEqual([['none → fade in']]);
    expect(words(makeDocument(motion()), makeDocument(motion({ on: false })))).toEqual([['on → muted']]);
    expect(
      words(
        makeDocument(motion()),
        makeDocument(motion({ damping: { kind: 'half-life', halfLife: 90 }, easing: 'ease' })),
      )[0],
    ).toEqual(expect.arrayContaining(['damping none → 90 ms half-life', 'easing linear → ease']));
  });
  test('pins by how long they hold', () =>
    expect(
      words(
        { ...makeDocument(), pins: [PIN] },
        { ...makeDocument(), pins: [{ ...PIN, distance: { kind: 'length', value: '150vh' } }] },
      ),
    ).toEqual([['1000 px → 1.5 screens']]));
});

describe('motions beside each other', () => {
  const [one, other] = [motion(), motion({ range: { start: 'entry 0%', end: 'entry 50%' } })];
  test('those that differ come first; of different pages only the right side has any', () => {
    const same = motion({ id: 'm_b', name: 'B' });
    const [a, b] = [makeDocument(same, one), makeDocument(same, other)];
    expect(motionPairs(a, b, listDifferences(a, b)).map((p) => [p.id, p.differs])).toEqual([
      ['m_a', true],
      ['m_b', false],
    ]);
    expect(motionPairs(a, b, null).every((p) => p.a === null)).toBe(true);
  });
  test('a curve says what the compiled take shows', () => {
    const layout = withPins(LAYOUT, []);
    const drawn = present(computeDrawn(other, layout, 'opacity'));
    const { start, end } = compileTimeline(makeDocument(other), layout);
    expect(drawnAtOffset(drawn, itemAt(start, 0))).toBe(0);
    expect(drawnAtOffset(drawn, (itemAt(start, 0) + itemAt(end, 0)) / 2)).toBeCloseTo(0.5, 9);
    expect(drawnAtOffset(drawn, itemAt(end, 0))).toBe(1);
    expect(computeDrawn(other, layout, 'scale')).toBeNull();
    expect(
      computeDrawn(
        motion({ driver: { kind: 'load' }, time: { delay: '0ms', duration: '1ms' } }),
        layout,
        'opacity',
      ),
    ).toBeNull();
  });
  test('properties with other stops come first', () => {
    const keyframes = (v: string) => [{ at: '0%', value: v }];
    const a = motion({ keyframes: { opacity: keyframes('0'), rotate: keyframes('1deg') } });
    const b = motion({ keyframes: { opacity: keyframes('0'), rotate: keyframes('2deg') } });
    expect(listProperties({ id: 'm', name: 'm', a, b, differs: true })).toEqual(['rotate', 'opacity']);
  });
});

describe('the place of a picture', () => {
  const layout = { ...withPins(LAYOUT, [PIN]), sections: [{ name: 'Tally', top: 5000, height: 2000 }] };
  test.each([
    [2300, 'pinned, 30 %'],
    [3320, 'released 320 px ago'],
    [5200, 'Tally'],
    [9500, ''],
  ])('at %d px', (y, words) => expect(placeWords(layout, y)).toBe(words));
  test('brought pictures go where their names say, others follow each other', () =>
    expect(
      placedAt(
        [{ name: 'hero 1200.png' }, { name: 'a.png' }, { name: 'end-90px.webp' }, { name: 'b.png' }],
        100,
        800,
        500,
      ).map((p) => p.offset),
    ).toEqual([1200, 100, 90, 500]));
});

describe('figures', () => {
  const side = (over: Partial<Figures>): Figures => ({
    layout: withPins(LAYOUT, []),
    answer: null,
    summary: null,
    lab: null,
    bytes: null,
    ...over,
  });
  const summary = { frames: 10, onTime: 0.9, median: 4, p95: 12, worst: 20, worstAt: 0, budget: 16.7 };
  const row = (a: Figures, b: Figures, name: string) => figureRows(a, b).find((r) => r.name === name);
  test('say which side is better, never of what is a matter of taste', () => {
    const b = side({ summary: { ...summary, onTime: 0.95, p95: 14 }, layout: withPins(LAYOUT, [PIN]) });
    const a = side({ summary });
    expect(row(a, b, 'Frames on time')).toMatchObject({
      a: '90.0 %',
      b: '95.0 %',
      difference: '+5.0 %',
      verdict: 'better',
    });
    expect(row(a, b, 'p95')).toMatchObject({ difference: '+2.0 ms', verdict: 'worse' });
    expect(row(b, a, 'p95')).toMatchObject({ difference: '−2.0 ms', verdict: 'better' });
    expect(row(a, b, 'Pinned')).toMatchObject({ difference: '+1,000 px', verdict: null });
  });
  test('small differences are none, and what is not known is a dash', () => {
    const a = side({ summary });
    const b = side({ summary: { ...summary, p95: 12.2 } });
    expect(row(a, b, 'p95')).toMatchObject({ difference: '=', share: 0, verdict: null });
    expect(row(a, b, 'CSS and script')).toMatchObject({ a: '–', b: '–', difference: '' });
  });
  test('the lab speaks only where it has measured both', () => {
    expect(row(side({ lab: summary }), side({}), 'p95, in the lab')).toBeUndefined();
    expect(
      row(side({ lab: summary }), side({ lab: { ...summary, p95: 20 } }), 'p95, in the lab'),
    ).toMatchObject({
      verdict: 'worse',
    });
  });
});
