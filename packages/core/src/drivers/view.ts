/** The view progress of the element itself, or of the one that `subject` selects, through its scrollport: a view timeline. */
import * as z from 'zod';
import { computeGeometry, findMatches, isPart, splitPart } from '../page/index.ts';
import type { Axis, Layout } from '../page/index.ts';
import { around, phaseSpans, resolvePoint } from '../timeline/index.ts';
import { PLAIN } from './kind.ts';
import type { DriverKind } from './kind.ts';
import { axis, inset, selector } from './parts.ts';

export interface ViewDriver {
  kind: 'view';
  /** a selector, or self */
  subject: string;
  axis: Axis;
  insets: [string, string];
}

const SELF = 'self';

/** A pseudo-element’s own progress is that of the element which draws it. Of several elements that the selector finds, the nearest one around the target counts, as with named timelines; else the first. */
export function findSubject(driver: ViewDriver, target: number, layout: Layout): number | undefined {
  if (driver.subject === SELF) {
    const e = layout.elements[target];
    return e && isPart(e) && e.parent >= 0 ? e.parent : target;
  }
  const matched = findMatches(layout, driver.subject);
  return matched.length > 1 ? (around(target, matched, layout) ?? matched[0]) : matched[0];
}

export const view = {
  ...PLAIN,
  schema: z.strictObject({
    kind: z.literal('view'),
    subject: selector,
    axis,
    insets: z.tuple([inset, inset]),
  }),
  progress: 'scrubbed',
  points: 'phases',
  css: { needs: 'scroll timelines', why: 'View progress is a view timeline.' },
  place(driver, range, target, layout) {
    const subject = findSubject(driver, target, layout);
    if (subject === undefined || !layout.elements[subject])
      return { reason: `no element matches ${driver.subject}` };
    const { box } = layout.elements[subject];
    // Without a box the browser makes no timeline at all.
    if (box.width === 0 && box.height === 0)
      return { reason: 'it has no box of its own (display: none or contents)' };
    const geometry = computeGeometry(layout, subject, driver.axis, driver.insets);
    const cover = phaseSpans(geometry).cover;
    if (cover.end <= cover.start) return { reason: 'its insets leave no part of the viewport' };
    return {
      scroller: layout.elements[subject].scroller,
      axis: driver.axis,
      geometry,
      whole: cover,
      start: resolvePoint(range.start, geometry, 'start'),
      end: resolvePoint(range.end, geometry, 'end'),
    };
  },
  selectors: ({ subject }) => (subject === SELF ? [] : [subject]),
  withSelectors: (driver, rename) =>
    driver.subject === SELF ? driver : { ...driver, subject: rename(driver.subject) },
  measureKey: (driver, target) =>
    JSON.stringify([
      driver.subject === SELF ? splitPart(target)[0] : driver.subject,
      driver.axis,
      driver.insets,
    ]),
  content: (driver) => [driver.axis, driver.insets],
  withContent: (own, preset) => ({ ...own, axis: preset.axis, insets: preset.insets }),
} satisfies DriverKind<ViewDriver>;
