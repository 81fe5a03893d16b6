/** Page load as what a motion is driven by. */
import type { LoadDriver } from '@lyvek/core';
import type { DriverChoices } from '../kind.ts';

export const choices: DriverChoices<LoadDriver> = {
  phrase: () => 'page load',
  toChoice: () => 'load',
  listChoices: () => [
    { value: 'load', text: 'page load', note: 'time-based, plays once', driver: { kind: 'load' } },
  ],
};
