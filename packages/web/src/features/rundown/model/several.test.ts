import { describe, expect, test } from '@jest/globals';
import { findMatches, itemAt, present, withPins } from '@lyvek/core';
import type { Finding, Motion } from '@lyvek/core';
import { element, makeDocument, makeLayout, motion } from '@lyvek/core/testing';
import { computeBars, findBar, nearestBar } from '../../../editor/model/bars.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import { findElements } from './find-elements.ts';
import { delaysStepped, sharedValues, shiftedBy, steppedBy, timesScaled, withValueAtEnd } from './several.ts';
import { listThingsOn, nameOfThing, onlyThing } from './things-on.ts';

const box = (y: number) => ({ x: 0, y, width: 300, height: 200 });
const layout = withPins(
  {
    ...makeLayout([
      element({ selector: '#a', box: box(1000), text: 'Hall of clocks', tag: 'section' }),
      element({ selector: '.card:nth-of-type(1)', box: box(2000), idClass: '.card', tag: 'li', parent: 0 }),
      element({
        selector: '.card:nth-of-type(2)',
        box: box(3000),
        idClass: '.card',
        tag: 'li',
        label: 'Brass',
      }),
    ]),
    matches: { '#a': [0], '.card': [1, 2] },
  },
  [],
);
const on = (id: string, selector: string, over: Partial<Motion> = {}) =>
  motion({ id, name: id, targets: { selector }, ...over });
const bar = (m: Motion) => findBar(m, layout) as Bar;
const timed = (id: string, delay: number, duration: number) =>
  on(id, '#a', { driver: { kind: 'load' }, time: { delay: `${delay}ms`, duration: `${duration}ms` } });

describe('several at once', () => {
  const bars = [on('m_a', '#a'), on('m_b', '.card')].map(bar);
  const starts = (motions: readonly Motion[]) => motions.map((m) => Math.round(bar(m).placed.start));
  const before = bars.map((b) => Math.round(b.placed.start));

  test('are moved by a number of px, and set one behind the other', () => {
    expect(starts(shiftedBy(bars, 120))).toEqual(before.map((s) => s + 120));
    expect(starts(steppedBy(bars, 50))).toEqual([itemAt(before, 0), itemAt(before, 0) + 50]);
  });
  test('times are scaled and staggered; what the scroll moves is left alone', () => {
    const parts = [timed('m_a', 100, 400), timed('m_b', 20, 200), on('m_c', '#a')];
    const times = (list: readonly Motion[]) => list.map((m) => [m.id, m.time?.delay, m.time?.duration]);
    expect(times(timesScaled(parts, 0.5))).toEqual([
      ['m_a', '50ms', '200ms'],
      ['m_b', '10ms', '100ms'],
    ]);
    expect(times(delaysStepped(parts, 60))).toEqual([
      ['m_b', '20ms', '200ms'],
      ['m_a', '80ms', '400ms'],
    ]);
  });
  test('share the properties that all have, with the value where it is the same', () => {
    const fade = (from: string) => ({
      opacity: [
        { at: '0%', value: from },
        { at: '100%', value: '1' },
      ],
    });
    const list = [
      on('m_a', '#a', { keyframes: fade('0') }),
      on('m_b', '#a', { keyframes: { ...fade('0.5'), scale: [{ at: '0%', value: '2' }] } }),
    ];
    expect(sharedValues(list)).toEqual([{ property: 'opacity', first: null, last: '1' }]);
    const changed = withValueAtEnd(list, 'opacity', 'first', '0.2');
    expect(sharedValues(changed)[0]?.first).toBe('0.2');
    expect(sharedValues([])).toEqual([]);
  });
});

describe('a motion on many elements', () => {
  test('is taken hold of on the one nearest to where the page stands', () => {
    const many = bar(on('m_b', '.card'));
    const near = (y: number) => nearestBar(many, y).element;
    expect([near(0), near(1700), near(2600)]).toEqual([1, 1, 2]);
    expect(nearestBar(many, 9000).placed.start).toBe(itemAt(many.others, 0).start);
  });
  test('with a stagger it is its first element', () => {
    const many = bar(on('m_b', '.card', { stagger: { step: '40px', order: 'page' } }));
    expect(nearestBar(many, 9000)).toBe(many);
  });
});

describe('an element', () => {
  const document = {
    ...makeDocument(on('m_a', '#a'), on('m_b', '.card'), timed('m_c', 0, 100)),
    triggers: [
      {
        ...{ id: 'g_a', name: 'Bell', on: true, subject: '.card', down: 'entry 0%', up: null },
        ...{ plays: 'once' as const, back: 'keeps-end' as const },
      },
    ],
  };
  const { bars } = computeBars(document, layout);
  const finding = { about: 'm_b', check: 'x', sentence: 'Late.' } as Finding;
  const things = (e: number) => listThingsOn(e, document, layout, { bars, findings: [finding] });

  test('has what moves it, however that is driven, with what was found about it', () => {
    expect(things(0).map((t) => t.id)).toEqual(['m_a', 'm_c']);
    expect(things(2).map((t) => [t.id, t.findings.length])).toEqual([
      ['g_a', 0],
      ['m_b', 1],
    ]);
  });
  test('a pick selects what alone moves it, and nothing where there are several', () => {
    expect(onlyThing(things(0))).toBeNull();
    expect(onlyThing(things(2))?.id).toBe('m_b');
    expect(onlyThing([])).toBeNull();
  });
  test('findings name triggers as people do', () => {
    expect([nameOfThing('g_a', document), nameOfThing('g_zz', document)]).toEqual(['Bell', 'g_zz']);
  });
  test('is found by its text, its label, its tag and its class', () => {
    const find = (query: string) => findElements(query, layout, 5).map((f) => f.element);
    expect(find('clocks')).toEqual([0]);
    expect(find('brass')).toEqual([2]);
    expect(find('section')).toEqual([0]);
    expect(find('card').sort()).toEqual([1, 2]);
    expect(find('.card').sort()).toEqual([1, 2]);
    expect(find(' ')).toEqual([]);
    expect(findElements('card', layout, 1)).toHaveLength(1);
    expect(findMatches(layout, '.card')).toHaveLength(2);
    expect(present(findElements('brass', layout, 5)[0]).code).toBe('li.card');
  });
});
