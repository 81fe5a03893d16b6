/** What the interface calls each kind of driver. */
import type { Driver } from '@lyvek/core';

interface DriverWords {
  /** beside the name of a motion */
  short: string;
  /** of several motions */
  several: string;
  /** where two takes differ in it */
  noun: string;
  /** what a search finds it by */
  found: string;
}

export const DRIVER_WORDS: Record<Driver['kind'], DriverWords> = {
  scroll: { short: 'whole page', several: 'whole page', noun: 'whole page', found: 'whole page scroll' },
  view: { short: 'view', several: 'views', noun: 'view', found: 'view' },
  pin: { short: 'pinned', several: 'pinned', noun: 'pin', found: 'pin pinned hold' },
  trigger: { short: 'trigger', several: 'triggers', noun: 'trigger', found: 'trigger timed' },
  load: { short: 'page load', several: 'page load', noun: 'load', found: 'page load intro timed' },
  marquee: { short: 'marquee', several: 'marquees', noun: 'marquee', found: 'marquee endless' },
};
