/** Drivers: what a motion's progress comes from. Here the scrubbed ones. */
import type { Axis, Geometry, Layout, Px, Scroller } from '../page/index.ts';
import { geometryOf, matchesOf } from '../page/index.ts';
import { parsePhasePoint, resolvePoint } from './range-point.ts';
import type { Range } from './range-point.ts';
import { isMeeting, isNamedPlace } from './range-point.ts';
import { phaseSpans } from './phases.ts';
import type { Span } from './phases.ts';
import { resolveLength } from '../page/index.ts';

/** The scroll of the whole page, or of one scroller named by its selector. */
export interface PageDriver {
  kind: 'page';
  scroller?: string | undefined;
  axis: Axis;
}
/** The passage of the element itself, or of the one that `subject` selects, through its scrollport. */
export interface PassageDriver {
  kind: 'passage';
  subject: string;
  axis: Axis;
  insets: [string, string];
}
export type Driver = PageDriver | PassageDriver;

/** Where a motion happens for one target: the scroller and axis that it listens to, and its range there in px. */
export interface Placed extends Span {
  scroller: number;
  axis: Axis;
  /** null for a whole-page driver */
  geometry: Geometry | null;
}

export type Unplaced = { reason: string };

export const subjectOf = (driver: PassageDriver, target: number, layout: Layout): number | undefined =>
  driver.subject === 'self' ? target : matchesOf(layout, driver.subject)[0];

export function scrollerOf(driver: PageDriver, layout: Layout): number {
  if (driver.scroller === undefined) return 0;
  return layout.scrollers.findIndex((s) => s.selector === driver.scroller);
}

const maxOf = (scroller: Scroller, axis: Axis): Px =>
  axis === 'block' ? scroller.max.block : scroller.max.inline;

/** A scroll timeline's percentages refer to all that can be scrolled; names of phases are ignored, as the browser does. */
function pagePoint(point: Range['start'], max: Px, layout: Layout, side: 'start' | 'end'): Px {
  if (isMeeting(point)) throw new SyntaxError('a whole-page driver has no element that could meet a line');
  const parsed = parsePhasePoint(point, side);
  if (!parsed.ok) throw new SyntaxError(parsed.error);
  return resolveLength(parsed.value.offset, { percent: max, viewport: layout.viewport });
}

/** Resolves a motion's range for one target element. Anything that cannot be placed says why. */
export function placeRange(driver: Driver, range: Range, target: number, layout: Layout): Placed | Unplaced {
  if (driver.kind === 'page') {
    const scroller = scrollerOf(driver, layout);
    const facts = layout.scrollers[scroller];
    if (!facts) return { reason: `no scroller matches ${driver.scroller}` };
    const max = maxOf(facts, driver.axis);
    if (max <= 0) return { reason: 'there is nothing to scroll' };
    return {
      scroller,
      axis: driver.axis,
      geometry: null,
      start: pagePoint(range.start, max, layout, 'start'),
      end: pagePoint(range.end, max, layout, 'end'),
    };
  }
  const subject = subjectOf(driver, target, layout);
  if (subject === undefined || !layout.elements[subject])
    return { reason: `no element matches ${driver.subject}` };
  const { box } = layout.elements[subject];
  // Without a box the browser makes no timeline at all.
  if (box.width === 0 && box.height === 0)
    return { reason: 'it has no box of its own (display: none or contents)' };
  const geometry = geometryOf(layout, subject, driver.axis, driver.insets);
  const cover = phaseSpans(geometry).cover;
  if (cover.end <= cover.start) return { reason: 'its insets leave no part of the viewport' };
  return {
    scroller: layout.elements[subject].scroller,
    axis: driver.axis,
    geometry,
    start: resolvePoint(range.start, geometry, 'start'),
    end: resolvePoint(range.end, geometry, 'end'),
  };
}

/**
 * Progress at which a keyframe stands. A share of the range is that share; a place at a range name stays where it is on the
 * scroller, so it may lie before 0 or after 1.
 */
export function placeOf(at: string, placed: Placed): number {
  if (!isNamedPlace(at)) return Number.parseFloat(at) / 100;
  if (!placed.geometry || placed.end <= placed.start) return 0;
  return (resolvePoint(at, placed.geometry, 'start') - placed.start) / (placed.end - placed.start);
}

/** Progress at a scroll offset: 0 before, 1 after; an empty or reversed range jumps at its start. */
export function progressAt(offset: Px, span: Span): number {
  if (offset < span.start) return 0;
  if (span.end <= span.start || offset >= span.end) return 1;
  return (offset - span.start) / (span.end - span.start);
}

/** All that can be scrolled where a motion was placed, px. */
export const maxScroll = (layout: Layout, placed: Pick<Placed, 'scroller' | 'axis'>): Px =>
  maxOf(layout.scrollers[placed.scroller]!, placed.axis);
