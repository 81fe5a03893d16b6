import { describe, expect, test } from '@jest/globals';
import { itemAt } from '../assert/index.ts';
import { makeDocument, motion } from '../testing/index.ts';
import { freeSignal, isSignal, isSignalName, renameSignal, signalName, signalProperty } from './index.ts';

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
});
