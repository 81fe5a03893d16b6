import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { allWellFormed, ellipsized, shorten, wellFormed } from './text.ts';

/** Any UTF-16 units at all, halves of pairs and NUL included. */
const units = fc
  .array(
    fc.oneof(
      fc.integer({ min: 0, max: 0xffff }),
      fc.constantFrom(0, 0xd83c, 0xdf89, 0x200d, 0xfe0f, 0x61, 0x0301),
    ),
    { maxLength: 60 },
  )
  .map((list) => String.fromCharCode(...list));
/** The strictest of what carries it on: UTF-8 there and back, and no NUL. */
const survives = (text: string) =>
  new TextDecoder().decode(new TextEncoder().encode(text)) === text && !text.includes('\0');

test('what is well-formed survives any encoding; what was so already is untouched', () => {
  fc.assert(
    fc.property(units, (text) => {
      const made = wellFormed(text);
      expect(survives(made)).toBe(true);
      expect(made.length).toBe(text.length);
      if (survives(text)) expect(made).toBe(text);
    }),
  );
});

test('a cut text is a beginning of the whole one, is not too long, and cuts no pair', () => {
  fc.assert(
    fc.property(units.map(wellFormed), fc.integer({ min: 1, max: 70 }), (text, max) => {
      const short = shorten(text, max);
      expect(text.startsWith(short)).toBe(true);
      expect(short.length).toBeLessThanOrEqual(max);
      expect(survives(short)).toBe(true);
      expect(ellipsized(text, max).length).toBeLessThanOrEqual(max);
      expect(survives(ellipsized(text, max))).toBe(true);
    }),
  );
});

test.each([
  ['Come to the great party 🎉 tonight', 25, 'Come to the great party '],
  ['a👩‍👩‍👧‍👦b', 8, 'a'],
  ['e\u0301e\u0301', 3, 'e\u0301'],
  ['🇩🇰🇩🇰', 6, '🇩🇰'],
])('“%s” in %d units', (text, max, short) => expect(shorten(text, max)).toBe(short));

test('values are mended in strings and keys, at any depth, and are the same object where there is nothing to mend', () => {
  const whole = { a: ['🎉', { b: 'x' }], n: 1, z: null };
  expect(allWellFormed(whole)).toBe(whole);
  expect(allWellFormed({ 'k\0': ['\ud83c', { deep: 'a\udf89' }], n: [1, true, null] })).toEqual({
    'k\ufffd': ['\ufffd', { deep: 'a\ufffd' }],
    n: [1, true, null],
  });
  fc.assert(
    fc.property(fc.json(), (json) => {
      const value = JSON.parse(json) as unknown;
      expect(allWellFormed(value)).toBe(value);
    }),
  );
  fc.assert(
    fc.property(
      fc.dictionary(fc.string({ unit: 'binary' }), fc.array(fc.string({ unit: 'binary' }))),
      (value) => {
        const corrected = allWellFormed(value);
        for (const text of [...Object.keys(corrected), ...Object.values(corrected).flat()]) {
          expect(Buffer.from(text).toString()).toBe(text);
          expect(text).not.toContain('\0');
        }
      },
    ),
  );
});
