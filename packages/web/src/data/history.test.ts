import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { EFFECTS, emptyDocument, readDocument, withFragment, withPins } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { element, layoutOf } from '@lyvek/core/testing';
import { withDriver } from '../screens/rundown/model/drivers.ts';
import { duplicated, withGate, withMotion, withoutMotions, withPin } from './changes.ts';
import { afterAct, afterStep } from './history.ts';
import type { History } from './history.ts';

const elements = [
  element({ selector: '#a', text: '212 nights' }),
  element({ selector: '#scene', tag: 'section', box: { x: 0, y: 3000, width: 1000, height: 1800 } }),
  element({ selector: '#left', parent: 1, box: { x: 0, y: 3000, width: 480, height: 1800 } }),
  element({ selector: '#right', parent: 1, box: { x: 520, y: 3000, width: 480, height: 1500 } }),
  element({ selector: '#strip', parent: 1, box: { x: 0, y: 3200, width: 2600, height: 400 } }),
  element({ selector: '#art', tag: 'svg' }),
];
const layout = layoutOf(elements);
let ids = 0;
const newId = (kind: string) => `${kind}_${ids++}`;

type Edit = (d: MotionDocument) => MotionDocument;
/** One of a list by a number that may be larger than it. */
const pickOf = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(1, list.length)];

/** Edits as people make them, each chosen by two numbers so that it fits whatever document there is. */
const EDITS: Record<string, (a: number, b: number) => Edit> = {
  'add an effect': (a, b) => (d) => {
    const effect = pickOf(EFFECTS, a)!;
    const context = { layout: withPins(layout, d.pins), element: b % elements.length, document: d, newId };
    return effect.unfit?.(context) ? d : withFragment(effect.compose(context))(d);
  },
  delete: (a) => (d) => {
    const one = pickOf([...d.motions, ...d.pins, ...d.gates], a);
    return one ? withoutMotions([one.id])(d) : d;
  },
  duplicate: (a) => (d) => {
    const one = pickOf(d.motions, a);
    return one ? duplicated(d, [one.id]).document : d;
  },
  'change the driver': (a, b) => (d) => {
    const one = pickOf(d.motions, a);
    if (!one) return d;
    const wanted = pickOf(
      [
        'new gate' as const,
        { kind: 'load' as const },
        { kind: 'page' as const, axis: 'block' as const },
        {
          kind: 'passage' as const,
          subject: 'self',
          axis: 'block' as const,
          insets: ['0px', '0px'] as [string, string],
        },
        ...d.pins.map((p) => ({ kind: 'pin' as const, pin: p.id })),
        ...d.gates.map((g) => ({ kind: 'gate' as const, gate: g.id })),
      ],
      b,
    )!;
    return withDriver(d, one.id, wanted, { target: '#a', length: 500, newId }).document;
  },
  mute: (a) => (d) => {
    const one = pickOf(d.motions, a);
    return one ? withMotion(one.id, (m) => ({ ...m, on: !m.on }))(d) : d;
  },
  'hold longer': (a, b) => (d) => {
    const one = pickOf(d.pins, a);
    return one ? withPin(one.id, (p) => ({ ...p, distance: { kind: 'length', value: `${b}px` } }))(d) : d;
  },
  'chain a part': (a, b) => (d) => {
    const one = pickOf(
      d.motions.filter((m) => m.driver.kind === 'gate'),
      a,
    );
    const before = d.motions.filter(
      (m) =>
        m !== one &&
        m.time?.after === undefined &&
        JSON.stringify(m.driver) === JSON.stringify(one?.driver) &&
        m.time !== undefined,
    );
    const after = pickOf(before, b);
    const waited = d.motions.some((m) => m.time?.after === one?.id);
    return one && after && !waited
      ? withMotion(one.id, (m) => ({ ...m, time: { ...m.time!, after: after.id } }))(d)
      : d;
  },
  'play once': (a) => (d) => {
    const one = pickOf(d.gates, a);
    return one ? withGate(one.id, (g) => ({ ...g, plays: 'once' }))(d) : d;
  },
};
const edits = fc.array(
  fc.tuple(fc.constantFrom(...Object.keys(EDITS)), fc.nat({ max: 99 }), fc.nat({ max: 99 })),
  { maxLength: 40 },
);

describe('undo and redo', () => {
  test('any edits undone are the first document, redone the last; every document on the way can be saved', () => {
    fc.assert(
      fc.property(edits, (list) => {
        const first = emptyDocument();
        let h: History = { document: first, past: [], future: [] };
        for (const [name, a, b] of list) {
          h = afterAct(h, name, EDITS[name]!(a, b));
          const read = readDocument(h.document);
          expect(read.ok ? [] : [name, ...read.problems]).toEqual([]);
        }
        const last = h.document;
        const steps = h.past.length;
        for (let step = afterStep(h, 'past'); step; step = afterStep(h, 'past')) h = step.history;
        expect(h.document).toBe(first);
        expect(h.future).toHaveLength(steps);
        for (let step = afterStep(h, 'future'); step; step = afterStep(h, 'future')) h = step.history;
        expect(h.document).toBe(last);
        expect(h.future).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });

  test('a new edit after undoing leaves nothing to redo', () => {
    const add = EDITS['add an effect']!(0, 0);
    const one = afterAct({ document: emptyDocument(), past: [], future: [] }, 'add', add);
    const back = afterStep(one, 'past')!.history;
    expect(back.future).toHaveLength(1);
    expect(afterAct(back, 'add', add).future).toEqual([]);
    expect(afterAct(back, 'nothing', (d) => d)).toBe(back);
  });

  test('scrubbed to timed and back loses nothing', () => {
    const d = withFragment(
      EFFECTS[0]!.compose({ layout: withPins(layout, []), element: 0, document: emptyDocument(), newId }),
    )(emptyDocument());
    const [motion] = d.motions;
    const given = { target: '#a', length: 600, newId };
    const timed = withDriver(d, motion!.id, 'new gate', given);
    expect(timed.document.gates).toHaveLength(1);
    expect(timed.document.motions[0]!.time).toEqual({ delay: '0ms', duration: '400ms' });
    const back = withDriver(timed.document, motion!.id, motion!.driver, given).document;
    expect(back.gates).toEqual([]);
    expect({ ...back.motions[0], time: undefined }).toEqual({ ...motion, time: undefined });
  });
});
