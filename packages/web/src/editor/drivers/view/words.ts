import type { DriverWords } from '../kind.ts';

export const words: DriverWords = {
  short: 'view',
  several: 'view progress',
  noun: 'view progress',
  found: 'view progress passage enter leave viewport scroll-triggered',
  legend: 'View',
};
