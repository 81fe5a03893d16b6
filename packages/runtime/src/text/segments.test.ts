import { describe, expect, test } from '@jest/globals';
import { divide, isDivided, isRightToLeft } from './segments.ts';

describe('words and letters', () => {
  test('a letter is what a reader sees as one', () => {
    expect(divide('é👩‍👩‍👧ḧn', 'grapheme', 'en')).toEqual(['é', '👩‍👩‍👧', 'ḧ', 'n']);
  });
  test('words of a language without spaces keep the marks that end them', () => {
    const words = divide('日本語の文章、です。', 'word', 'ja');
    expect(words.length).toBeGreaterThan(2);
    expect(words.join('')).toBe('日本語の文章、です。');
    expect(words.every((w) => !/^[、。]/.test(w))).toBe(true);
  });
  test('a language that is none is no reason to stop', () => {
    expect(divide('ab', 'grapheme', 'not a language')).toEqual(['a', 'b']);
  });
  test('which texts have to be looked at closely', () => {
    expect(['plain', 'ไทย', '漢字', 'été'].map(isDivided)).toEqual([false, true, true, false]);
    expect(['plain', 'שלום', 'مرحبا'].map(isRightToLeft)).toEqual([false, true, true]);
  });
});
