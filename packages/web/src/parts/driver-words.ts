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
  page: { short: 'whole page', several: 'whole page', noun: 'whole page', found: 'whole page scroll' },
  passage: { short: 'passage', several: 'passages', noun: 'passage', found: 'passage' },
  pin: { short: 'pinned', several: 'pinned', noun: 'pin', found: 'pin pinned hold' },
  gate: { short: 'gate', several: 'gates', noun: 'gate', found: 'gate timed' },
  load: { short: 'page load', several: 'page load', noun: 'load', found: 'page load intro timed' },
  belt: { short: 'belt', several: 'belts', noun: 'belt', found: 'belt endless' },
};
