import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emptyDocument, readDocument, withTies } from '../motion/index.ts';
import { EDIT_NAMES, RANDOM_EDITS } from '../testing/random-edits.ts';
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
        const next = withTies(RANDOM_EDITS[name]!(a, b)(d));
        if (next !== d) seen.add(name);
        d = next;
        expect([name, ...danglingReferences(d)]).toEqual([name]);
      }
      references += listReferences(d).length;
      const read = readDocument(d);
      expect(read.ok ? [] : [list.at(-1)![0], ...read.problems]).toEqual([]);
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
      for (const [name, a, b] of list) d = withTies(RANDOM_EDITS[name]!(a, b)(d));
      const left = without([...d.motions, ...d.pins, ...d.triggers, ...d.cues].map((x) => x.id))(d);
      expect([left.motions, left.pins, left.triggers, left.cues]).toEqual([[], [], [], []]);
      // What stands for itself may stay.
      expect(left.adjustments.every((a) => a.for.length === 0)).toBe(true);
    }),
    { numRuns: 100 },
  );
});
