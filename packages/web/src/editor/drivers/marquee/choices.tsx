/** An endless marquee as what a motion is driven by. */
import type { MarqueeDriver } from '@lyvek/core';
import type { DriverChoices } from '../kind.ts';
import { MARQUEE } from './marquee.ts';

export const choices: DriverChoices<MarqueeDriver> = {
  phrase: () => 'an endless marquee',
  toChoice: () => 'marquee',
  listChoices: () => [
    {
      value: 'marquee',
      text: 'an endless marquee',
      note: 'runs all the time, reacts to scroll',
      driver: MARQUEE,
    },
  ],
};
