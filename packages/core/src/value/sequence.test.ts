import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { present } from '../assert/index.ts';
import { parseSequence, pictureAddress, sequenceFrom, sequenceText } from './sequence.ts';

describe('a sequence of pictures', () => {
  test('is written as a shell writes it', () => {
    const night = present(parseSequence('frames/night-{001..120}.webp?v=2'));
    expect([pictureAddress(night, 0), pictureAddress(night, 119)]).toEqual([
      'frames/night-001.webp?v=2',
      'frames/night-120.webp?v=2',
    ]);
    expect(pictureAddress(present(parseSequence('{9..10}.png')), 1)).toBe('10.png');
  });
  test('is refused where it counts backwards, has too many, or is none', () => {
    for (const files of ['', 'a.png', '{3..1}.png', '{0..2000}.png', 'a{1..2}{1..2}.png', 'a b{1..2}.png'])
      expect(parseSequence(files)).toBeNull();
  });
  test('law: what is written is read as the same', () => {
    fc.assert(
      fc.property(fc.nat(5000), fc.nat(1999), fc.integer({ min: 1, max: 5 }), (first, more, width) => {
        const digits = Math.max(width, String(first).length);
        const sequence = { before: 'a/', after: '.avif', first, last: first + more, digits };
        expect(parseSequence(sequenceText(sequence))).toEqual(sequence);
      }),
    );
  });
  test('begins with the last number of an address', () => {
    expect(sequenceText(present(sequenceFrom('2026/shot-0007.jpg')))).toBe('2026/shot-{0007..0007}.jpg');
    expect(sequenceFrom('hero.jpg')).toBeNull();
    expect(sequenceFrom('hero.jpg?v=3')).toBeNull();
  });
});
