/** The stretch of scroll over which a pin holds its stage. */
import * as z from 'zod';
import type { PinnedLayout, Layout } from '../page/index.ts';
import { onExtent } from './extent.ts';
import { PLAIN } from './kind.ts';
import type { DriverKind } from './kind.ts';
import { id } from './parts.ts';

export interface PinDriver {
  kind: 'pin';
  pin: string;
}

export const pin = {
  ...PLAIN,
  schema: z.strictObject({ kind: z.literal('pin'), pin: id }),
  progress: 'scrubbed',
  points: 'extent',
  playsReduced: false,
  css: {
    needs: 'scroll timelines',
    why: 'The span of a pin is a view timeline of its stage.',
  },
  place(driver, range, _target, layout) {
    const hold = 'pinnedSpans' in layout ? layout.pinnedSpans.find((h) => h.id === driver.pin) : undefined;
    if (!hold) return { reason: whyNotHeld(driver.pin, layout) };
    return onExtent(hold.scroller, 'block', { start: hold.start, end: hold.end }, range, layout);
  },
  references: (driver) => [{ list: 'pins', id: driver.pin }],
  withReferences: (driver, rename) => ({ ...driver, pin: rename(driver.pin) }),
  measureKey: (driver) => driver.pin,
  cuesAt: (driver) => driver.pin,
} satisfies DriverKind<PinDriver>;

function whyNotHeld(of: string, layout: Layout | PinnedLayout): string {
  const loose = 'loose' in layout ? layout.loose.find((l) => l.id === of) : undefined;
  return loose ? `its pin does not work: ${loose.reason}` : 'its pin is switched off';
}
