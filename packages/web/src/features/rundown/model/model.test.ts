import { itemAt, present } from '@lyvek/core';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { ElementFacts, Finding, Motion } from '@lyvek/core';
import { makeDocument, element as anElement, makeLayout, motion as aMotion } from '@lyvek/core/testing';
import { alignEnds, alignStarts, scaled, spreadEvenly } from './arrange-several.ts';
import { arrange, findBar, isPlaced } from '../../../editor/model/bars.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import {
  computeCurves,
  numberAt,
  withNumber,
  withKeyframeIn,
  withUnit,
} from '../../../editor/model/curves.ts';
import { nudged, shifted, stepped, withEndAt } from './moves.ts';
import { finds, soloed } from './find.ts';
import { catchAt } from './snap.ts';
import { clampView, fitView, offsetAt, toRow, computeTicks, zoomView } from '../../../editor/strip/view.ts';
import { effectWords, elementName, meetingWords, otherWords, pointWords } from '../../../editor/words.ts';

const element = (over: Partial<ElementFacts> = {}) =>
  anElement({ selector: '#a', text: 'Pear', kind: 'text', ...over });
const layout = makeLayout([element()]);
const motion = (over: Partial<Motion> = {}) =>
  aMotion({
    name: 'Pear rise',
    range: { start: 'entry 10%', end: { edge: '50%', line: '50%' } },
    keyframes: {
      opacity: [
        { at: '0%', value: '0' },
        { at: '100%', value: '1' },
      ],
      translate: [
        { at: '0%', value: '0 72px' },
        { at: '100%', value: '0 0' },
      ],
    },
    ...over,
  });
const bar = (over: Partial<Motion> = {}): Bar => {
  const b = findBar(motion(over), layout);
  if (!isPlaced(b)) throw new Error(b.reason);
  return b;
};

describe('the vertical scale', () => {
  const view = fc.record({ top: fc.integer({ min: 0, max: 5000 }), per: fc.integer({ min: 1, max: 20 }) });
  test('rows and offsets are each other’s inverse', () => {
    fc.assert(
      fc.property(view, fc.integer({ min: 0, max: 9000 }), (v, o) =>
        expect(offsetAt(toRow(o, v), v)).toBeCloseTo(o, 6),
      ),
    );
  });
  test('zooming keeps the offset under the pointer, unless the page’s edge forbids it', () => {
    const v = zoomView({ top: 2000, per: 8 }, 2, 300, 20_000, 720);
    expect(v.per).toBe(4);
    expect(offsetAt(300, v)).toBeCloseTo(offsetAt(300, { top: 2000, per: 8 }), 6);
  });
  test('stays on the page and between the whole page and 1:1', () => {
    fc.assert(
      fc.property(view, (v) => {
        const c = clampView(v, 11_000, 728);
        expect(c.per).toBeGreaterThanOrEqual(1);
        expect(c.per).toBeLessThanOrEqual(fitView(11_000, 728).per);
        expect(c.top).toBeGreaterThanOrEqual(0);
      }),
    );
  });
  test('labelled ticks are never closer than 28 rows', () => {
    fc.assert(
      fc.property(view, (v) => {
        const major = computeTicks(v, 728, 20_000).filter((t) => t.major);
        for (let i = 1; i < major.length; i++)
          expect((itemAt(major, i).offset - itemAt(major, i - 1).offset) / v.per).toBeGreaterThanOrEqual(
            27.9,
          );
      }),
    );
  });
  test('however high the page is, so many ticks and no more', () => {
    fc.assert(
      fc.property(fc.integer({ min: 800, max: 33_554_432 }), (height) => {
        const ticks = computeTicks(fitView(height, 728), 728, height);
        expect(ticks.length).toBeGreaterThan(9);
        // A minor one every fifth of 28 rows.
        expect(ticks.length).toBeLessThanOrEqual((728 / 28) * 5 + 1);
      }),
    );
  });
});

describe('bars', () => {
  test('two bars in one column never overlap', () => {
    const span = fc.record({
      start: fc.integer({ min: 0, max: 8000 }),
      length: fc.integer({ min: 10, max: 2500 }),
    });
    fc.assert(
      fc.property(fc.array(span, { maxLength: 60 }), (spans) => {
        const bars = spans.map((s, i): Bar => ({
          ...bar(),
          motion: motion({ id: `m_${i}` }),
          placed: { ...bar().placed, start: s.start, end: s.start + s.length },
        }));
        const slots = arrange(bars, 456, 16);
        for (const a of bars)
          for (const b of bars)
            if (a !== b && present(slots.get(a.motion.id)).x === present(slots.get(b.motion.id)).x)
              expect(a.placed.end <= b.placed.start || b.placed.end <= a.placed.start).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
  test('a bar keeps its column when another one moves', () => {
    const at = (id: string, start: number): Bar => ({
      ...bar(),
      motion: motion({ id }),
      placed: { ...bar().placed, start, end: start + 300 },
    });
    const before = arrange([at('m_a', 100), at('m_b', 200), at('m_c', 300)], 456, 16);
    const after = arrange([at('m_a', 900), at('m_b', 200), at('m_c', 300)], 456, 16, before);
    expect(['m_b', 'm_c'].map((id) => present(after.get(id)).x)).toEqual(
      ['m_b', 'm_c'].map((id) => present(before.get(id)).x),
    );
  });
  test('says why a motion has no place', () =>
    expect(findBar(motion({ targets: { selector: '#gone' } }), layout)).toMatchObject({
      reason: 'no element matches #gone',
    }));
});

describe('catching', () => {
  const b = bar();
  const base = {
    geometry: b.placed.geometry,
    phase: 'entry' as const,
    max: 9000,
    ends: [1655],
    sections: [3333],
    reach: 12,
  };
  test.each([
    [1496, 1500, 'entry 100 %'],
    [1334, 1335, 'entry, 5 % step'],
    [3330, 3333, 'edge of a section'],
    [4, 0, 'top of the page'],
  ])('%d catches on %d (%s)', (offset, caught, what) =>
    expect(catchAt(offset, { ...base, reach: offset === 3330 ? 12 : 6 })).toEqual({ offset: caught, what }),
  );
  test('lets go between', () => expect(catchAt(1342, { ...base, reach: 4 })).toBeNull());
  test('catches viewport lines where meetings are wanted', () => {
    const hit = catchAt(2000 + 150 - 398, { ...base, meetings: 0.5, ends: [] });
    expect(hit).toEqual({ offset: 1750, what: 'line at 50 %' });
  });
});

describe('moving', () => {
  test('a meeting keeps the element’s point, a phase point its notation', () => {
    expect(withEndAt(bar(), 'end', 1830).range.end).toEqual({ edge: '50%', line: '40%' });
    expect(withEndAt(bar(), 'start', 1350).range.start).toBe('entry 50%');
    expect(withEndAt(bar(), 'start', 0).range.start).toBe('scroll 0%');
  });
  test('both ends move by the same px', () => {
    const moved = findBar(shifted(bar(), 80), layout) as Bar;
    expect(moved.placed.start - bar().placed.start).toBeCloseTo(80, 0);
    expect(moved.placed.end - bar().placed.end).toBeCloseTo(80, 0);
  });
  test('keys step by 1 % of the phase, of the viewport for a meeting, by px for px', () => {
    expect(stepped('entry 10%', 'start', 5)).toBe('entry 15%');
    expect(stepped({ edge: '0%', line: '50%' }, 'end', 1)).toEqual({ edge: '0%', line: '49%' });
    expect(stepped('entry 20px', 'start', 1)).toBe('entry 21px');
    expect(stepped('exit calc(10% + 20px)', 'end', -5)).toBe('exit calc(10% + 10px)');
    expect(nudged(motion(), 'end', 1).range.start).toBe('entry 10%');
  });
});

describe('curves', () => {
  const [opacity, translate] = computeCurves(motion(), 0, layout) as [
    ReturnType<typeof computeCurves>[0],
    ReturnType<typeof computeCurves>[0],
  ];
  test('draw the number that changes', () =>
    expect([translate.name, translate.low, translate.high, numberAt(translate, 0.5)]).toEqual([
      'translate y',
      0,
      72,
      36,
    ]));
  test('a new stop changes nothing yet', () => {
    const keyframes = withKeyframeIn(opacity, 0.3);
    expect(keyframes).toHaveLength(3);
    const again = itemAt(computeCurves(motion({ keyframes: { opacity: keyframes } }), 0, layout), 0);
    for (let p = 0; p <= 1; p += 0.1) expect(numberAt(again, p)).toBeCloseTo(numberAt(opacity, p), 6);
  });
  test('numbers are changed inside the CSS text, units kept', () => {
    expect(withNumber('0 72px', 1, 40)).toBe('0 40px');
    expect(withNumber('blur(6px)', 0, 2.5)).toBe('blur(2.5px)');
    expect(withNumber('none', 0, 2)).toBeNull();
    expect(withUnit('0 12', ['0 72px'])).toBe('0 12px');
  });
});

describe('words', () => {
  test('0, 50 and 100 are words', () => {
    expect(meetingWords({ edge: 0.5, line: 0.5 })).toBe('its middle meets the middle of the viewport');
    expect(meetingWords({ edge: 0, line: 0.22 })).toBe('its top meets 22 % of the viewport');
    expect(pointWords('scroll 100%', 'end', 'view')).toBe('the end of the page');
    expect(pointWords('entry 12.5%', 'start', 'view')).toBe('entry 12.5 %');
    expect(otherWords('entry 100%', 'end', present(bar().placed.geometry), 1500)).toBe(
      'its bottom meets the bottom of the viewport',
    );
  });
  test('motions and elements are called what people would call them', () => {
    expect(effectWords(motion())).toBe('rise 72 px');
    expect(
      effectWords(
        motion({
          keyframes: {
            opacity: [
              { at: '0%', value: '1' },
              { at: '100%', value: '0' },
            ],
          },
        }),
      ),
    ).toBe('fade out');
    const p = { tag: 'p', kind: 'text' as const, selector: 'main > p:nth-of-type(2)' };
    const text = '0.9 m reflector. Collects for all';
    const names = [
      { ...p, text, label: 'The mirror' },
      { ...p, text, idClass: '#dome.wide' },
      { ...p, text, idClass: '.lead', selector: '.lead' },
      { ...p, text, idClass: '.wide.dark' },
      { ...p, text: '', idClass: '.offer__stage.x' },
      { ...p, tag: 'h2', text, selector: '#dome-title' },
      { ...p, text: '', kind: 'box' as const, selector: '#road-picture' },
      { ...p, text: '' },
    ].map((facts) => elementName(element(facts)));
    expect(names).toEqual([
      'The mirror',
      'dome',
      'lead',
      '0.9 m reflector',
      'offer stage',
      '0.9 m reflector',
      'road picture',
      'p',
    ]);
  });
});

describe('several together', () => {
  const bars = [
    [1000, 1400],
    [1600, 1700],
    [2500, 3500],
  ].map(
    ([start, end], i) =>
      findBar(
        motion({
          id: `m_${i}`,
          driver: { kind: 'scroll', axis: 'block' },
          range: { start: `${start}px`, end: `${end}px` },
        }),
        layout,
      ) as Bar,
  );
  const spans = (motions: Motion[]) =>
    motions.map((m) => [m.range.start, m.range.end].map((p) => Number.parseFloat(p as string)));

  test('are aligned, spread and scaled', () => {
    expect(spans(alignStarts(bars))).toEqual([
      [1000, 1400],
      [1000, 1100],
      [1000, 2000],
    ]);
    expect(spans(alignEnds(bars)).map(([, end]) => end)).toEqual([3500, 3500, 3500]);
    expect(spans(spreadEvenly(bars)).map(([start]) => start)).toEqual([1000, 1750, 2500]);
    expect(spans(scaled(bars, 2))).toEqual([
      [1000, 1800],
      [1600, 1800],
      [2500, 4500],
    ]);
  });

  test('are found by name, driver, property and finding', () => {
    const [m] = bars.map((b) => ({ ...b.motion, name: 'Ridge, far' }));
    expect(finds('ridge', present(m), [])).toBe(true);
    expect(finds('whole opacity', present(m), [])).toBe(true);
    expect(finds('view', present(m), [])).toBe(false);
    expect(finds('', present(m), [])).toBe(true);
    const finding = { check: 'never-finishes', about: present(m).id, brief: 'ends past page' } as Finding;
    expect(finds('finding past', present(m), [finding])).toBe(true);
  });

  test('alone, the others are off', () => {
    const d = { ...makeDocument(...bars.map((b) => b.motion)) };
    expect(soloed(d, ['m_1']).motions.map((m) => m.on)).toEqual([false, true, false]);
    expect(soloed(d, [])).toBe(d);
  });
});
