import { lastItem, present } from '../assert/index.ts';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emptyDocument, readDocument, underMedia } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { EDIT_NAMES, RANDOM_EDITS } from '../testing/random-edits.ts';
import { applyOperation } from './operation.ts';
import { danglingReferences, listReferences } from './references.ts';
import { without } from './remove.ts';

const sequences = fc.array(
  fc.tuple(fc.constantFrom(...EDIT_NAMES), fc.nat({ max: 99 }), fc.nat({ max: 99 })),
  { minLength: 1, maxLength: 40, size: 'max' },
);

test('after any edits the document is valid and nothing in it points nowhere', () => {
  const seen = new Set<string>();
  let references = 0;
  fc.assert(
    fc.property(sequences, (list) => {
      let d = emptyDocument();
      for (const [name, a, b] of list) {
        const next = applyOperation(d, present(RANDOM_EDITS[name])(a, b)).document;
        if (next !== d) seen.add(name);
        d = next;
        expect([name, ...danglingReferences(d)]).toEqual([name]);
      }
      references += listReferences(d).length;
      const read = readDocument(d);
      expect(read.ok ? [] : [lastItem(list)[0], ...read.problems]).toEqual([]);
    }),
    { numRuns: process.env.LYVEK_FULL ? 20_000 : 500 },
  );
  // Nothing is proved by edits that found nothing to edit.
  expect([...seen].sort()).toEqual(Object.keys(RANDOM_EDITS).sort());
  expect(references).toBeGreaterThan(1000);
});

test('removing everything leaves an empty document', () => {
  fc.assert(
    fc.property(sequences, (list) => {
      let d = emptyDocument();
      for (const [name, a, b] of list) d = applyOperation(d, present(RANDOM_EDITS[name])(a, b)).document;
      const left = without([...d.motions, ...d.pins, ...d.triggers, ...d.cues].map((x) => x.id))(d);
      expect([left.motions, left.pins, left.triggers, left.cues]).toEqual([[], [], [], []]);
      // What stands for itself may stay.
      expect(left.adjustments.every((a) => a.for.length === 0)).toBe(true);
    }),
    { numRuns: 100 },
  );
});

/** What may differ under a condition, of everything that is there. */
const listBase = (d: MotionDocument) =>
  new Map<string, unknown>([
    ...d.motions.map((m) => [m.id, [m.on, m.range, m.keyframes]] as const),
    ...d.pins.map((p) => [p.id, [p.on, p.distance]] as const),
  ]);
/** Edits that people make of what they see at one size, and that another size has nothing to do with. */
const CONDITIONAL = ['mute', 'move an end', 'change values', 'hold longer'];

test('what is edited for a condition is seen under it, and leaves what is seen without it as it was', () => {
  let changes = 0;
  fc.assert(
    fc.property(
      sequences,
      fc.array(fc.tuple(fc.constantFrom(...CONDITIONAL), fc.nat({ max: 99 }), fc.nat({ max: 99 })), {
        maxLength: 12,
      }),
      (list, conditional) => {
        let d = emptyDocument();
        for (const [name, a, b] of [['add a condition', 0, 0] as const, ...list])
          d = applyOperation(d, present(RANDOM_EDITS[name])(a, b)).document;
        const media = d.media[0]?.id;
        if (media === undefined) return;
        for (const [name, a, b] of conditional) {
          const before = listBase(d);
          const operation = present(RANDOM_EDITS[name])(a, b);
          const view = { active: [media], media };
          const next = applyOperation(d, operation, view).document;
          if (next === d) continue;
          changes++;
          expect([name, [...listBase(next)]]).toEqual([name, [...before]]);
          const wanted = applyOperation(underMedia(d, [media]), operation).document;
          expect([...listBase(underMedia(next, [media]))]).toEqual([...listBase(wanted)]);
          d = next;
        }
        const read = readDocument(d);
        expect(read.ok ? [] : read.problems).toEqual([]);
      },
    ),
    { numRuns: process.env.LYVEK_FULL ? 5000 : 150 },
  );
  expect(changes).toBeGreaterThan(100);
});
