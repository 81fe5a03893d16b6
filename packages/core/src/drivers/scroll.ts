/** The scroll of the whole page, or of one scroller that its selector names. */
import * as z from 'zod';
import type { Axis, Layout } from '../page/index.ts';
import { computeExtent } from '../timeline/index.ts';
import { onExtent } from './extent.ts';
import { PLAIN } from './kind.ts';
import type { DriverKind } from './kind.ts';
import { axis, selector } from './parts.ts';

export interface ScrollDriver {
  kind: 'scroll';
  scroller?: string | undefined;
  axis: Axis;
}

export function findScroller(driver: ScrollDriver, layout: Layout): number {
  if (driver.scroller === undefined) return 0;
  return layout.scrollers.findIndex((s) => s.selector === driver.scroller);
}

export const scroll = {
  ...PLAIN,
  schema: z.strictObject({ kind: z.literal('scroll'), scroller: selector.optional(), axis }),
  progress: 'scrubbed',
  points: 'extent',
  css: { needs: 'scroll timelines', why: 'The scroll of the page is a scroll timeline.' },
  place(driver, range, _target, layout) {
    const scroller = findScroller(driver, layout);
    const facts = layout.scrollers[scroller];
    if (!facts) return { reason: `no scroller matches ${driver.scroller}` };
    const max = computeExtent(facts, driver.axis);
    if (max <= 0) return { reason: 'there is nothing to scroll' };
    return onExtent(scroller, driver.axis, { start: 0, end: max }, range, layout);
  },
  selectors: ({ scroller }) => (scroller ? [scroller] : []),
  withSelectors: (driver, rename) =>
    driver.scroller === undefined ? driver : { ...driver, scroller: rename(driver.scroller) },
  measureKey: (driver) => JSON.stringify(driver),
  cuesAt: (driver) => (driver.scroller === undefined && driver.axis === 'block' ? null : undefined),
  content: (driver) => driver.axis,
} satisfies DriverKind<ScrollDriver>;
