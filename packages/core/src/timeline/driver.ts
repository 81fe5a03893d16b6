/** Drivers: what a motion's progress comes from. Here those that the scroll offset scrubs. */
import type { Axis, Geometry, HeldLayout, Layout, Px, Scroller } from '../page/index.ts';
import { geometryOf, matchesOf } from '../page/index.ts';
import { parsePhasePoint, resolvePoint } from './range-point.ts';
import type { Range, RangePoint } from './range-point.ts';
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
/** The stretch of scroll over which a pin holds its stage. */
export interface PinDriver {
  kind: 'pin';
  pin: string;
}
/** Drivers whose progress is a place on a scroll axis. */
export type ScrubbedDriver = PageDriver | PassageDriver | PinDriver;
/** Starts timed parts when its line is passed, or as soon as the page is there. */
export type TimedDriver = { kind: 'gate'; gate: string } | { kind: 'load' };
/**
 * Moves a strip endlessly. `speed` is in px per second towards the strip's start, negative the other way; `turns`: it runs backwards while
 * the page was last scrolled upwards; `push`: the share of the followed scroll that it moves on top; `rests` under the pointer and while
 * something in it has the focus.
 */
export interface BeltDriver {
  kind: 'belt';
  axis: Axis;
  speed: number;
  turns: boolean;
  push: number;
  rests: boolean;
}
export type Driver = ScrubbedDriver | TimedDriver | BeltDriver;

export const isTimed = (driver: Driver): driver is TimedDriver =>
  driver.kind === 'gate' || driver.kind === 'load';

/** Whether the scroll offset alone says how far it is. */
export const isScrubbed = (driver: Driver): driver is ScrubbedDriver =>
  driver.kind !== 'belt' && !isTimed(driver);

/** Where a motion happens for one target: the scroller and axis that it listens to, and its range there in px. */
export interface Placed extends Span {
  scroller: number;
  axis: Axis;
  /** the subject of a passage; null for other drivers */
  geometry: Geometry | null;
  /** the driver’s own extent, which shares refer to; a passage’s is its cover range */
  whole: Span;
}

export type Unplaced = { reason: string };

/** Of several elements that the selector finds, the nearest one around the target counts, as with named timelines; else the first. */
export function subjectOf(driver: PassageDriver, target: number, layout: Layout): number | undefined {
  if (driver.subject === 'self') return target;
  const matched = matchesOf(layout, driver.subject);
  return matched.length > 1 ? (around(target, matched, layout) ?? matched[0]) : matched[0];
}

/** The nearest of some elements that is the target itself or holds it. */
export function around(target: number, matched: readonly number[], layout: Layout): number | undefined {
  for (let e = target; e >= 0; e = layout.elements[e]?.parent ?? -1) if (matched.includes(e)) return e;
  return undefined;
}

export function scrollerOf(driver: PageDriver, layout: Layout): number {
  if (driver.scroller === undefined) return 0;
  return layout.scrollers.findIndex((s) => s.selector === driver.scroller);
}

const maxOf = (scroller: Scroller, axis: Axis): Px =>
  axis === 'block' ? scroller.max.block : scroller.max.inline;

/**
 * Without a subject, percentages refer to the driver's extent and lengths count from its start. Names of phases are ignored, as the
 * browser does.
 */
function extentPoint(point: Range['start'], whole: Span, layout: Layout, side: 'start' | 'end'): Px {
  if (isMeeting(point)) throw new SyntaxError('this driver has no element that could meet a line');
  const parsed = parsePhasePoint(point, side);
  if (!parsed.ok) throw new SyntaxError(parsed.error);
  const percent = whole.end - whole.start;
  return whole.start + resolveLength(parsed.value.offset, { percent, viewport: layout.viewport });
}

const onExtent = (scroller: number, axis: Axis, whole: Span, range: Range, layout: Layout): Placed => ({
  scroller,
  axis,
  geometry: null,
  whole,
  start: extentPoint(range.start, whole, layout, 'start'),
  end: extentPoint(range.end, whole, layout, 'end'),
});

/** Resolves a motion's range for one target element. Anything that cannot be placed says why. */
export function placeRange(
  driver: ScrubbedDriver,
  range: Range,
  target: number,
  layout: Layout | HeldLayout,
): Placed | Unplaced {
  if (driver.kind === 'page') {
    const scroller = scrollerOf(driver, layout);
    const facts = layout.scrollers[scroller];
    if (!facts) return { reason: `no scroller matches ${driver.scroller}` };
    const max = maxOf(facts, driver.axis);
    if (max <= 0) return { reason: 'there is nothing to scroll' };
    return onExtent(scroller, driver.axis, { start: 0, end: max }, range, layout);
  }
  if (driver.kind === 'pin') {
    const hold = 'holds' in layout ? layout.holds.find((h) => h.id === driver.pin) : undefined;
    if (!hold) return { reason: whyNotHeld(driver.pin, layout) };
    return onExtent(hold.scroller, 'block', { start: hold.start, end: hold.end }, range, layout);
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
    whole: cover,
    start: resolvePoint(range.start, geometry, 'start'),
    end: resolvePoint(range.end, geometry, 'end'),
  };
}

function whyNotHeld(pin: string, layout: Layout | HeldLayout): string {
  const loose = 'loose' in layout ? layout.loose.find((l) => l.id === pin) : undefined;
  return loose ? `its pin does not hold: ${loose.reason}` : 'its pin is switched off';
}

/** A gate’s lines, as scroll offsets. */
export interface GateLines {
  scroller: number;
  geometry: Geometry;
  down: Px;
  /** never below the line for the way down */
  up: Px;
}

/** Where a gate’s lines lie; says why where it has none. */
export function gateLines(
  gate: { subject: string; down: RangePoint; up: RangePoint | null },
  layout: Layout,
): GateLines | Unplaced {
  const subject = matchesOf(layout, gate.subject)[0];
  const e = subject === undefined ? undefined : layout.elements[subject];
  if (subject === undefined || !e) return { reason: `no element matches ${gate.subject}` };
  if (e.box.width === 0 && e.box.height === 0)
    return { reason: 'it has no box of its own (display: none or contents)' };
  const geometry = geometryOf(layout, subject, 'block');
  const down = resolvePoint(gate.down, geometry, 'start');
  const up = gate.up === null ? down : Math.min(down, resolvePoint(gate.up, geometry, 'start'));
  return { scroller: e.scroller, geometry, down, up };
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
