import type { DriverWords } from '../kind.ts';

export const words: DriverWords = {
  short: 'pinned',
  several: 'pinned',
  noun: 'pin',
  found: 'pin pinned sticky hold',
  legend: 'Pin',
  extent: { start: 'the start of the pin', end: 'the end of the pin', of: 'the pin' },
};
