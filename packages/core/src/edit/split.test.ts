import { describe, expect, test } from '@jest/globals';
import { itemAt, present } from '../assert/index.ts';
import { makePatch } from '../format/index.ts';
import { readDocument } from '../motion/index.ts';
import { makeDocument, motion } from '../testing/index.ts';
import { findSplit, removeThings, setDeclaration, setSplit } from './index.ts';

const moved = motion({ targets: { selector: '.title text-part' } });
const document = {
  ...makeDocument(moved),
  adjustments: [
    {
      id: 'a_t',
      selector: '.title',
      declarations: { color: 'red' },
      split: { by: 'words' as const, order: 'reading' as const },
      for: [moved.id],
    },
  ],
};

describe('a text that is taken apart', () => {
  test('is found by the motion of its parts, and stays apart without its declarations', () => {
    expect(readDocument(document).ok).toBe(true);
    expect(findSplit(moved, document)?.split.by).toBe('words');
    expect(findSplit({ ...moved, targets: { selector: '.title' } }, document)?.split.by).toBe('words');
    expect(findSplit({ ...moved, id: 'm_other' }, document)).toBeNull();
    const bare = setDeclaration('a_t', 'color', null).apply(document).document;
    expect(itemAt(bare.adjustments, 0).split).toEqual({ by: 'words', order: 'reading' });
  });
  test('is whole again without the motion, and is not taken apart while that is off', () => {
    expect(makePatch(document).splits).toEqual([{ selector: '.title', by: 'words', order: 'reading' }]);
    expect(makePatch({ ...document, motions: [{ ...moved, on: false }] }).splits).toEqual([]);
    expect(removeThings([moved.id], 'delete').apply(document).document.adjustments).toEqual([]);
  });
  test('is taken apart otherwise', () => {
    const next = setSplit('a_t', { by: 'letters', order: 'random', seed: 4, mask: true }).apply(
      document,
    ).document;
    expect(present(findSplit(moved, next)).split).toEqual({
      by: 'letters',
      order: 'random',
      seed: 4,
      mask: true,
    });
  });
});
