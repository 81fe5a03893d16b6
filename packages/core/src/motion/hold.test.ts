import { itemAt, present } from '../assert/index.ts';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { motion } from '../testing/index.ts';
import { readDocument, findHold, withoutHold, withHold } from './index.ts';

const plain = motion({
  keyframes: {
    opacity: [
      { at: '0%', value: '0' },
      { at: '100%', value: '1' },
    ],
    translate: [
      { at: '0%', value: '0 60px', easing: 'ease-out' },
      { at: '40%', value: '0 10px' },
      { at: '100%', value: '0 0' },
    ],
  },
});
const keyframes = (m: typeof plain, p: string) => present(m.keyframes[p]).map((k) => `${k.at} ${k.value}`);

test('arriving only, it rests and then leaves the way it came', () => {
  const m = withHold(motion({ keyframes: { opacity: present(plain.keyframes.opacity) } }), {
    from: 0.25,
    to: 0.75,
  });
  expect(keyframes(m, 'opacity')).toEqual(['0% 0', '25% 1', '75% 1', '100% 0']);
  expect(findHold(m)).toEqual({ from: 0.25, to: 0.75 });
});

test('with one stop in its middle it rests there', () => {
  const m = withHold(plain, { from: 0.3, to: 0.6 });
  expect(keyframes(m, 'translate')).toEqual(['0% 0 60px', '30% 0 10px', '60% 0 10px', '100% 0 0']);
});

test('what rests only in one property, at range names or at an end, does not rest', () => {
  expect(findHold(plain)).toBeNull();
  expect(
    findHold(
      motion({
        keyframes: {
          opacity: [
            { at: 'entry 0%', value: '1' },
            { at: 'exit 0%', value: '1' },
          ],
        },
      }),
    ),
  ).toBeNull();
  expect(
    findHold(
      motion({
        keyframes: {
          opacity: [
            { at: '0%', value: '1' },
            { at: '50%', value: '1' },
            { at: '100%', value: '0' },
          ],
        },
      }),
    ),
  ).toBeNull();
});

const share = fc.integer({ min: 5, max: 95 }).map((n) => n / 100);
const rest = fc
  .tuple(share, share)
  .filter(([a, b]) => Math.abs(a - b) > 0.03)
  .map(([a, b]) => ({ from: Math.min(a, b), to: Math.max(a, b) }));

test('moved anywhere and back nothing has changed; taken out again it is as before', () => {
  fc.assert(
    fc.property(rest, rest, (a, b) => {
      const simple = motion({ keyframes: { opacity: present(plain.keyframes.opacity) } });
      const one = withHold(simple, a);
      const back = withHold(withHold(one, b), a);
      expect(present(findHold(back)).from).toBeCloseTo(a.from, 3);
      present(back.keyframes.opacity).forEach((k, i) => {
        expect(Number.parseFloat(k.at)).toBeCloseTo(
          Number.parseFloat(itemAt(present(one.keyframes.opacity), i).at),
          1,
        );
      });
      expect(withoutHold(back).keyframes).toEqual(simple.keyframes);
      expect(readDocument({ format: 'lyvek-document', version: 2, motions: [back] }).ok).toBe(true);
    }),
  );
});

test('one that arrives and leaves differently keeps both ways when its rest is taken out', () => {
  const m = withHold(plain, { from: 0.3, to: 0.6 });
  const only = { ...m, keyframes: { translate: present(m.keyframes.translate) } };
  expect(keyframes(withoutHold(only), 'translate')).toEqual(['0% 0 60px', '42.86% 0 10px', '100% 0 0']);
});
