import type { DriverWords } from '../kind.ts';

export const words: DriverWords = {
  short: 'page scroll',
  several: 'page scroll',
  noun: 'page scroll',
  found: 'whole page scroll progress',
  legend: 'Scroll',
  extent: { start: 'the top of the page', end: 'the end of the page', of: 'the page' },
};
