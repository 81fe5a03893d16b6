import { describe, expect, test } from '@jest/globals';
import { itemAt } from '../assert/index.ts';
import { makeDocument, motion } from '../testing/index.ts';
import { readDocument } from '../motion/index.ts';
import {
  freeSignal,
  isSignal,
  isSignalName,
  newThreshold,
  renameSignal,
  setThresholds,
  signalName,
  signalProperty,
} from './index.ts';

const numbers = [
  { at: '0%', value: '0' },
  { at: '100%', value: '100' },
];

describe('signals', () => {
  test('a name is part of the property, there and back', () => {
    for (const name of ['', 'sway', 'two-words']) {
      expect(isSignal(signalProperty(name))).toBe(true);
      expect(signalName(signalProperty(name))).toBe(name);
    }
    expect(isSignal('--signals')).toBe(false);
    expect(['sway', '', 'a b', '--x', 'é'].map(isSignalName)).toEqual([true, true, false, false, false]);
  });

  test('a second one is called otherwise', () => {
    const one = motion({ keyframes: { '--signal': numbers } });
    expect(freeSignal([])).toBe('--signal');
    expect(freeSignal([one])).toBe('--signal-2');
    expect(freeSignal([one, motion({ keyframes: { '--signal-2': numbers } })])).toBe('--signal-3');
  });

  test('renamed, it keeps its place and its values, under conditions too; a name that is taken is not given', () => {
    const d = makeDocument(
      motion({
        keyframes: { opacity: numbers, '--signal': numbers, scale: numbers },
        conditions: [{ media: 'q_a', keyframes: { '--signal': numbers } }],
      }),
    );
    const rename = (name: string) =>
      itemAt(renameSignal('m_a', '--signal', name).apply(d).document.motions, 0);
    const sway = rename('sway');
    expect(Object.keys(sway.keyframes)).toEqual(['opacity', '--signal-sway', 'scale']);
    expect(sway.conditions).toEqual([{ media: 'q_a', keyframes: { '--signal-sway': numbers } }]);
    const both = {
      ...d,
      motions: [{ ...itemAt(d.motions, 0), keyframes: { '--signal': numbers, '--signal-b': numbers } }],
    };
    expect(renameSignal('m_a', '--signal', 'b').apply(both).document.motions).toEqual(both.motions);
  });

  test('a threshold begins in the middle, is called as its signal is, and goes with the last one', () => {
    const one = motion({ keyframes: { '--signal-sway': numbers } });
    const first = newThreshold('--signal-sway', [], [0, 100]);
    expect(first).toEqual({ property: '--signal-sway', name: 'step-1', at: 50, back: 40 });
    const second = newThreshold('--signal-sway', [first], [0, 100]);
    expect(second.name).toBe('step-2');
    expect(newThreshold('--signal', [{ ...first, name: 'step-2' }], [3, 3])).toMatchObject({
      name: 'step-3',
      at: 3,
      back: 3,
    });
    const d = setThresholds('m_a', '--signal-sway', [first]).apply(makeDocument(one)).document;
    const renamed = renameSignal('m_a', '--signal-sway', 'tide').apply(d).document;
    expect(itemAt(renamed.motions, 0).thresholds).toEqual([{ ...first, property: '--signal-tide' }]);
    expect(readDocument(renamed).ok).toBe(true);
    const none = setThresholds('m_a', '--signal-tide', []).apply(renamed).document;
    expect('thresholds' in itemAt(none.motions, 0)).toBe(false);
  });

  test('a threshold is not left above where it is reached', () => {
    const wrong = motion({
      keyframes: { '--signal': numbers },
      thresholds: [{ property: '--signal', name: 'late', at: 40, back: 50 }],
    });
    const read = readDocument(makeDocument(wrong));
    expect(read.ok ? [] : read.problems.map((p) => p.message).join()).toContain('left again below');
  });
});
