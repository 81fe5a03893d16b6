import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  applyOperation,
  EFFECTS,
  emptyDocument,
  readDocument,
  withDriver,
  withFragment,
  withPins,
  itemAt,
  present,
} from '@lyvek/core';
import { element, EDIT_NAMES, makeLayout, RANDOM_EDITS } from '@lyvek/core/testing';
import { afterAct, afterStep } from './history.ts';
import type { History } from './history.ts';

const layout = makeLayout([element({ selector: '#a', text: '212 nights' })]);
let ids = 0;
const newId = (kind: string) => `${kind}_${ids++}`;

const edits = fc.array(fc.tuple(fc.constantFrom(...EDIT_NAMES), fc.nat({ max: 99 }), fc.nat({ max: 99 })), {
  maxLength: 40,
});

describe('undo and redo', () => {
  test('any edits undone are the first document, redone the last; every document on the way can be saved', () => {
    fc.assert(
      fc.property(edits, (list) => {
        const first = emptyDocument();
        let h: History = { document: first, past: [], future: [] };
        for (const [name, a, b] of list) {
          const next = applyOperation(h.document, present(RANDOM_EDITS[name])(a, b)).document;
          if (next !== h.document) h = afterAct(h, name, next);
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
    const add = (h: History) =>
      afterAct(h, 'add', applyOperation(h.document, present(RANDOM_EDITS['add an effect'])(0, 0)).document);
    const one = add({ document: emptyDocument(), past: [], future: [] });
    const back = present(afterStep(one, 'past')).history;
    expect(back.future).toHaveLength(1);
    expect(add(back).future).toEqual([]);
  });

  test('scrubbed to timed and back loses nothing', () => {
    const d = withFragment(
      itemAt(EFFECTS, 0).compose({
        layout: withPins(layout, []),
        element: 0,
        document: emptyDocument(),
        newId,
      }),
    )(emptyDocument());
    const [motion] = d.motions;
    const given = { target: '#a', length: 600, newId };
    const timed = withDriver(d, present(motion).id, 'new trigger', given);
    expect(timed.document.triggers).toHaveLength(1);
    expect(itemAt(timed.document.motions, 0).time).toEqual({ delay: '0ms', duration: '400ms' });
    const back = withDriver(timed.document, present(motion).id, present(motion).driver, given).document;
    expect(back.triggers).toEqual([]);
    expect({ ...back.motions[0], time: undefined }).toEqual({ ...motion, time: undefined });
  });
});
