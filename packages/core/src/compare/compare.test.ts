import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compileTimeline } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import { makeDocument, element, makeLayout, motion } from '../testing/index.ts';
import { listDifferences } from './differences.ts';
import { withTakenOver } from './take-over.ts';
import { visualDifference } from './visual-difference.ts';

const PIN: MotionDocument['pins'][number] = {
  id: 'p_1',
  name: 'Dome opens',
  on: true,
  stage: '#a',
  sticky: { by: 'top', inset: '0px' },
  distance: { kind: 'length', value: '800px' },
  overlap: ['0px', '0px'],
  layer: 0,
};
const card = motion();
const grown = motion({
  id: 'm_b',
  name: 'Grow',
  keyframes: {
    scale: [
      { at: '0%', value: '1' },
      { at: '100%', value: '2' },
    ],
  },
});

describe('differences', () => {
  test('a document does not differ from itself, whatever the order of its fields', () => {
    const d = makeDocument(card, grown);
    const turned = {
      ...d,
      motions: d.motions.map((m) => Object.fromEntries(Object.entries(m).reverse()) as typeof m),
    };
    expect(listDifferences(d, turned)).toEqual({ differing: [], same: 2 });
  });
  test('name the fields, and of keyframes the property', () => {
    const other = {
      ...grown,
      easing: 'ease',
      keyframes: {
        scale: [
          { at: '0%', value: '1' },
          { at: '100%', value: '3' },
        ],
      },
    };
    const { differing, same } = listDifferences(makeDocument(card, grown), makeDocument(card, other));
    expect(same).toBe(1);
    expect(differing.map((x) => [x.list, x.id, x.fields.toSorted()])).toEqual([
      ['motions', 'm_b', ['easing', 'keyframes.scale']],
    ]);
  });
  test('what only one has is there, pins before motions', () => {
    const { differing } = listDifferences(makeDocument(card), { ...makeDocument(grown), pins: [PIN] });
    expect(differing.map((x) => [x.id, x.a !== null, x.b !== null])).toEqual([
      ['p_1', false, true],
      ['m_b', false, true],
      ['m_a', true, false],
    ]);
  });
  test('without a like by id, a name makes the pair', () => {
    const renamed = { ...card, id: 'm_9', easing: 'ease-in' };
    expect(listDifferences(makeDocument(card), makeDocument(renamed)).differing).toMatchObject([
      { id: 'm_9', fields: ['easing'] },
    ]);
  });
});

describe('taking over', () => {
  const motions = ['m_1', 'm_2', 'm_3', 'm_4'].map((id) => motion({ id, name: id }));
  const some = fc.subarray(motions);
  const varied = fc
    .tuple(some, fc.constantFrom('linear', 'ease'))
    .map(([list, easing]) => makeDocument(...list.map((m) => ({ ...m, easing }))));
  test('everything that differs makes the same document, from either side', () =>
    fc.assert(
      fc.property(varied, varied, (a, b) => {
        let target = a;
        for (const difference of listDifferences(a, b).differing) {
          const taken = withTakenOver(target, b, difference, 'b');
          if (!taken.ok) throw new Error(taken.why);
          target = taken.document;
        }
        expect(listDifferences(target, b)).toEqual({ differing: [], same: b.motions.length });
        expect(target.motions.map((m) => m.id)).toEqual(b.motions.map((m) => m.id));
      }),
    ));
  test('a motion brings its pin, its trigger and the part that it follows', () => {
    const held = motion({
      id: 'm_held',
      driver: { kind: 'pin', pin: 'p_1' },
      range: { start: '0%', end: '100%' },
    });
    const trigger: MotionDocument['triggers'][number] = {
      id: 'g_1',
      name: 'Tally',
      subject: '#a',
      down: { edge: '50%', line: '80%' },
      up: null,
      plays: 'once',
      back: 'keeps-end',
      on: true,
    };
    const part = (id: string, after?: string) =>
      motion({
        id,
        name: id,
        driver: { kind: 'trigger', trigger: 'g_1' },
        time: { delay: '0ms', duration: '300ms', ...(after ? { after } : {}) },
      });
    const source = {
      ...makeDocument(held, part('m_p1'), part('m_p2', 'm_p1')),
      pins: [PIN],
      triggers: [trigger],
    };
    const { differing } = listDifferences(makeDocument(), source);
    const over = (id: string) =>
      withTakenOver(makeDocument(), source, present(differing.find((x) => x.id === id)), 'b');
    expect(over('m_held')).toMatchObject({
      ok: true,
      document: { motions: [{ id: 'm_held' }], pins: [{ id: 'p_1' }] },
    });
    expect(over('m_p2')).toMatchObject({
      ok: true,
      document: { motions: [{ id: 'm_p1' }, { id: 'm_p2' }], triggers: [{ id: 'g_1' }] },
    });
  });
  test('what others hang on cannot be taken away, and says so', () => {
    const held = motion({
      driver: { kind: 'pin', pin: 'p_1' },
      range: { start: '0%', end: '100%' },
    });
    const target = { ...makeDocument(held), pins: [PIN] };
    const { differing } = listDifferences(makeDocument(held), target);
    expect(withTakenOver(target, makeDocument(held), itemAt(differing, 0), 'a')).toEqual({
      ok: false,
      why: 'Dome opens cannot be taken over: no pin has the id p_1.',
    });
  });
});

describe('how different two takes look', () => {
  const layout = makeLayout([
    element({ selector: '#a', box: { x: 0, y: 2000, width: 1000, height: 400 } }),
    element({ selector: '#b', box: { x: 0, y: 4000, width: 1000, height: 800 } }),
  ]);
  const timeline = (d: MotionDocument) => compileTimeline(d, withPins(layout, d.pins));
  test('nothing for one take beside itself, anywhere', () => {
    const d = { ...makeDocument(card), pins: [PIN] };
    const of = visualDifference(timeline(d), timeline(d));
    for (let y = 0; y <= 9000; y += 500) expect(of(y)).toBe(0);
  });
  test('half the window for a box of half its height that is there in one and not in the other', () => {
    const hidden = motion({
      keyframes: {
        opacity: [
          { at: '0%', value: '0' },
          { at: '100%', value: '0' },
        ],
      },
    });
    const of = visualDifference(timeline(makeDocument()), timeline(makeDocument(hidden)));
    expect(of(1800)).toBeGreaterThan(0.4);
    expect(of(1800)).toBeLessThan(0.6);
    expect(of(0)).toBe(0);
    expect(of(6000)).toBe(0);
  });
  test('grows with the distance, until it is elsewhere altogether', () => {
    const by = (px: number) => {
      const shifted = motion({
        keyframes: {
          translate: [
            { at: '0%', value: `0 ${px}px` },
            { at: '100%', value: `0 ${px}px` },
          ],
        },
      });
      return visualDifference(timeline(makeDocument()), timeline(makeDocument(shifted)))(1800);
    };
    expect(by(0)).toBe(0);
    expect(by(8)).toBeGreaterThan(0);
    expect(by(16)).toBeGreaterThan(by(8));
    expect(by(120)).toBeGreaterThan(by(16));
  });
  test('a pin in one of them displaces all that comes after it', () => {
    const of = visualDifference(timeline(makeDocument()), timeline({ ...makeDocument(), pins: [PIN] }));
    expect(of(1000)).toBe(0);
    expect(of(4000)).toBeGreaterThan(0.9);
  });
});
