import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { present } from '../assert/index.ts';
import { applyOperation } from '../edit/index.ts';
import { emptyDocument, readDocument, readNext } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { EDIT_NAMES, RANDOM_EDITS } from '../testing/random-edits.ts';
import { makeDocument, motion } from '../testing/small.ts';
import { applyDocumentPatch, PatchSchema } from './apply-patch.ts';
import { makeDocumentPatch } from './make-patch.ts';

const toStored = (d: unknown) => JSON.parse(JSON.stringify(d)) as MotionDocument;
const withIds = (ids: readonly string[]): MotionDocument => ({
  ...emptyDocument(),
  motions: ids.map((id) => motion({ id, name: `Motion ${id}` })),
});

test('after any edits the patch makes the document, as the schema of patches takes it', () => {
  let steps = 0;
  const sequences = fc.array(fc.tuple(fc.constantFrom(...EDIT_NAMES), fc.nat(99), fc.nat(99)), {
    minLength: 1,
    maxLength: 30,
    size: 'max',
  });
  fc.assert(
    fc.property(sequences, (list) => {
      let d = emptyDocument();
      let stored = toStored(d);
      for (const [name, a, b] of list) {
        const next = applyOperation(d, present(RANDOM_EDITS[name])(a, b)).document;
        const patch = PatchSchema.parse(toStored(makeDocumentPatch(d, next)));
        steps += patch.length;
        const made = applyDocumentPatch(stored, patch);
        expect(made).toEqual(toStored(next));
        // Read by what has changed it is what it is when all of it is read.
        expect(readNext(stored, made)).toEqual(readDocument(toStored(next)));
        [d, stored] = [next, made as MotionDocument];
      }
    }),
    { numRuns: process.env.LYVEK_FULL ? 3000 : 40 },
  );
  expect(steps).toBeGreaterThan(300);
});

test('any order of any items comes about', () => {
  const ids = fc.uniqueArray(fc.integer({ min: 0, max: 30 }).map(String), { maxLength: 25 });
  fc.assert(
    fc.property(ids, ids, (a, b) => {
      const [before, after] = [withIds(a), withIds(b)];
      expect(applyDocumentPatch(before, makeDocumentPatch(before, after))).toEqual(after);
      const rules = [
        { ...before, importedRules: a },
        { ...before, importedRules: [...b, ...b] },
      ] as const;
      expect(applyDocumentPatch(rules[0], makeDocumentPatch(...rules))).toEqual(rules[1]);
    }),
    { numRuns: 500 },
  );
});

describe('a patch says little', () => {
  const many = Array.from({ length: 300 }, (_, i) => `m_${i}`);
  test.each([
    ['the first one is taken out', many.slice(1), ['remove']],
    ['one is put at the front', ['m_new', ...many], ['add']],
    ['the first one goes to the end', [...many.slice(1), 'm_0'], ['move']],
    ['the last one goes to the front', ['m_299', ...many.slice(0, -1)], ['move']],
    ['all are turned round', [...many].reverse(), ['replace']],
    ['nothing', many, []],
  ])('where %s', (_, after, ops) => {
    const patch = makeDocumentPatch(withIds(many), withIds(after));
    expect(patch.map((p) => p.op)).toEqual(ops);
  });

  test('of one value of one keyframe', () => {
    const before = makeDocument(motion({ id: 'm_1' }));
    const after = toStored(before);
    present(after.motions[0]).name = 'Title';
    expect(makeDocumentPatch(before, after)).toEqual([
      { op: 'replace', path: '/motions/0/name', value: 'Title' },
    ]);
  });
});

describe('a patch from outside', () => {
  const before = makeDocument(motion({ id: 'm_1', name: 'Title' }), motion({ id: 'm_2' }));
  test('leaves what it does not touch as the same object, and what was there as it was', () => {
    const patch = PatchSchema.parse([{ op: 'replace', path: '/motions/0/name', value: 'Sun' }]);
    const made = applyDocumentPatch(before, patch) as MotionDocument;
    expect(made.motions[1]).toBe(before.motions[1]);
    expect([before.motions[0]?.name, made.motions[0]?.name]).toEqual(['Title', 'Sun']);
  });
  test.each([
    [{ op: 'replace', path: '/motions/9/name', value: 'x' }],
    [{ op: 'remove', path: '/motions/2' }],
    [{ op: 'add', path: '/motions/7', value: {} }],
    [{ op: 'add', path: '/nowhere/x', value: 1 }],
    [{ op: 'add', path: '/__proto__/x', value: 1 }],
    [{ op: 'add', path: '/motions/0/constructor/prototype/x', value: 1 }],
    [{ op: 'test', path: '/motions/0/name', value: 'another' }],
    [{ op: 'move', from: '/motions/5', path: '/motions/0' }],
  ])('that speaks of what is not there is not applied: %j', (op) => {
    expect(applyDocumentPatch(before, PatchSchema.parse([op]))).toBeNull();
    expect('x' in {}).toBe(false);
  });
  test.each([
    [{ op: 'copy', from: '/motions', path: '/motions/0' }],
    [{ op: 'add', path: 'motions', value: 1 }],
    [{}],
  ])('is refused: %j', (op) => expect(PatchSchema.safeParse([op]).success).toBe(false));
});

describe('what was made of a document', () => {
  const before = makeDocument(motion({ id: 'm_1' }), motion({ id: 'm_2' }));
  test.each([
    ['a field that no motion has', { ...before, motions: [before.motions[0], { ...motion(), speed: 3 }] }],
    ['a field that no document has', { ...before, scenes: [] }],
    ['an id twice', { ...before, motions: [before.motions[0], before.motions[0]] }],
    ['a list that is none', { ...before, pins: 3 }],
    ['a layer that is none', { ...before, layer: '?' }],
    ['too many', { ...before, motions: Array.from({ length: 5001 }, () => before.motions[0]) }],
    ['nothing', null],
    ['a newer version', { ...before, version: 9 }],
  ])('is refused with the same problems as all of it: %s', (_, after) => {
    const read = readNext(before, after);
    expect(read.ok).toBe(false);
    expect(read).toEqual(readDocument(after));
  });
  test('keeps what has not changed', () => {
    const read = readNext(before, {
      ...before,
      motions: [before.motions[0], { ...before.motions[1], name: ' Sun ' }],
    });
    expect(read.ok && read.document.motions[0]).toBe(before.motions[0]);
    expect(read.ok && read.document.motions[1]?.name).toBe('Sun');
    expect(read.ok && read.document.pins).toBe(before.pins);
  });
});
