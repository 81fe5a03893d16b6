/** What each kind of driver is called. A new kind is a line here, and one in `drawings.ts`. */
import type { Driver } from '@lyvek/core';
import type { DriverWords } from './kind.ts';
import { words as load } from './load/words.ts';
import { words as marquee } from './marquee/words.ts';
import { words as pin } from './pin/words.ts';
import { words as pointer } from './pointer/words.ts';
import { words as scroll } from './scroll/words.ts';
import { words as trigger } from './trigger/words.ts';
import { words as view } from './view/words.ts';

export const DRIVER_WORDS: Record<Driver['kind'], DriverWords> = {
  scroll,
  view,
  pin,
  trigger,
  pointer,
  marquee,
  load,
};
