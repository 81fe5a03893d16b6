import { randomBytes, randomInt, timingSafeEqual } from 'node:crypto';

/** Without letters that look like others. */
const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ';

/** Six letters that people compare or type. */
export const makeCode = (): string =>
  Array.from({ length: 6 }, () => LETTERS.charAt(randomInt(LETTERS.length))).join('');

/** 128 bits that nobody guesses. */
export const makeToken = (): string => randomBytes(16).toString('hex');

/** In a time that says nothing of how much was right. */
export function isSame(given: string, wanted: string): boolean {
  const [a, b] = [Buffer.from(given), Buffer.from(wanted)];
  return a.length === b.length && timingSafeEqual(a, b);
}
