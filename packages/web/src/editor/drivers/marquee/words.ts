import type { DriverWords } from '../kind.ts';

export const words: DriverWords = {
  short: 'marquee',
  several: 'marquees',
  noun: 'marquee',
  found: 'marquee belt ticker endless',
  legend: 'Marquee',
};
