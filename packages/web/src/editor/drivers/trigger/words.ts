import type { DriverWords } from '../kind.ts';

export const words: DriverWords = {
  short: 'trigger',
  several: 'triggers',
  noun: 'trigger',
  found: 'trigger triggered gate timed time-based',
  legend: 'Trigger',
};
