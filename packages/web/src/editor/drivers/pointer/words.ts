import type { DriverWords } from '../kind.ts';

export const words: DriverWords = {
  short: 'pointer',
  several: 'the pointer',
  noun: 'pointer',
  found: 'pointer mouse cursor hover move follow sway tilt parallax',
  legend: 'Pointer',
};
