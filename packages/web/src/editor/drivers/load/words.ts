import type { DriverWords } from '../kind.ts';

export const words: DriverWords = {
  short: 'page load',
  several: 'page load',
  noun: 'page load',
  found: 'page load intro timed time-based',
};
