/**
 * Drivers: what a motion's progress comes from. One file a kind, and one line here; what is asked of all of them goes through the
 * functions below.
 */
import * as z from 'zod';
import type { PinnedLayout, Layout } from '../page/index.ts';
import { isMeeting } from '../timeline/index.ts';
import type { Placed, Range, RangePoint, Unplaced } from '../timeline/index.ts';
import { marquee } from './marquee.ts';
import type { MarqueeDriver } from './marquee.ts';
import { trigger } from './trigger.ts';
import type { TriggerDriver } from './trigger.ts';
import type { DriverKind, Reference } from './kind.ts';
import { load } from './load.ts';
import type { LoadDriver } from './load.ts';
import { scroll } from './scroll.ts';
import type { ScrollDriver } from './scroll.ts';
import { pointer } from './pointer.ts';
import type { PointerDriver } from './pointer.ts';
import { view } from './view.ts';
import type { ViewDriver } from './view.ts';
import { pin } from './pin.ts';
import type { PinDriver } from './pin.ts';

const DRIVERS = { scroll, view, pin, trigger, load, marquee, pointer } as const;

export type {
  MarqueeDriver,
  PointerDriver,
  TriggerDriver,
  LoadDriver,
  ScrollDriver,
  ViewDriver,
  PinDriver,
  Reference,
};
/** Drivers whose progress is a place on a scroll axis. */
export type ScrubbedDriver = ScrollDriver | ViewDriver | PinDriver;
/** Starts timed parts when its line is passed, or as soon as the page is there. */
export type TimedDriver = TriggerDriver | LoadDriver;
/** The scroll does not say how far it is: it runs, or the pointer does. */
export type RangelessDriver = MarqueeDriver | PointerDriver;
export type Driver = ScrubbedDriver | TimedDriver | RangelessDriver;

export { findScroller } from './scroll.ts';
export { findSubject } from './view.ts';
export { TOUCHES } from './pointer.ts';

export const DriverSchema = z.discriminatedUnion('kind', [
  scroll.schema,
  view.schema,
  pin.schema,
  trigger.schema,
  load.schema,
  marquee.schema,
  pointer.schema,
]);

const getKind = (driver: Driver): DriverKind<Driver> => DRIVERS[driver.kind] as DriverKind<Driver>;

export const isTimed = (driver: Driver): driver is TimedDriver => getKind(driver).progress === 'timed';

/** Whether the scroll offset alone says how far it is. */
export const isScrubbed = (driver: Driver): driver is ScrubbedDriver =>
  getKind(driver).progress === 'scrubbed';

/** Whether it runs all the time, without a beginning or an end. */
export const isEndless = (driver: Driver): driver is MarqueeDriver => getKind(driver).progress === 'endless';

/** Whether the pointer says how far it is. */
export const isPointed = (driver: Driver): driver is PointerDriver => getKind(driver).progress === 'pointed';

/** Whether it has no range of the scroll, and is the script’s alone. */
export const isRangeless = (driver: Driver): driver is RangelessDriver =>
  isEndless(driver) || isPointed(driver);

/** Whether two drivers are of one kind. */
export const isSameKind = (a: Driver, b: Driver): boolean => a.kind === b.kind;

/** Whether it begins when a line is passed. */
export const isTriggered = (driver: Driver): driver is TriggerDriver =>
  getKind(driver).css.needs === 'triggers';

/** Whether it needs neither a scroll timeline nor a trigger of CSS. */
export const isFreeOfTimelines = (driver: Driver): boolean =>
  ['animations', 'script'].includes(getKind(driver).css.needs);

/** Whether it begins as soon as the page is there. */
export const isAtLoad = (driver: Driver): driver is LoadDriver => isTimed(driver) && !isTriggered(driver);

/** Whether readers who ask for reduced motion can get it at all. */
export const playsReduced = (driver: Driver): boolean => getKind(driver).playsReduced;

/** A driver of one kind, with its fields; null of any other kind. For what is about that kind alone. */
export const asScroll = (driver: Driver): ScrollDriver | null => (driver.kind === 'scroll' ? driver : null);
export const asView = (driver: Driver): ViewDriver | null => (driver.kind === 'view' ? driver : null);
export const asPin = (driver: Driver): PinDriver | null => (driver.kind === 'pin' ? driver : null);

/** What the points of a range are on a driver. */
export const pointKind = (driver: Driver): DriverKind<Driver>['points'] => getKind(driver).points;

/** Resolves a motion's range for one target element; of what runs without a range, where it can be seen. Anything that cannot be placed says why. */
export const placeRange = (
  driver: Driver,
  range: Range,
  target: number,
  layout: Layout | PinnedLayout,
): Placed | Unplaced => getKind(driver).place(driver, range, target, layout);

/** Whether a range point means something on a driver. */
export const knowsPoint = (driver: Driver, point: RangePoint): boolean =>
  pointKind(driver) === 'phases' || (!isMeeting(point) && !/^[a-z]/.test(point));

/** The range from the beginning of a driver to its end. */
export const wholeRange = (driver: Driver): { start: string; end: string } =>
  pointKind(driver) === 'phases' ? { start: 'cover 0%', end: 'cover 100%' } : { start: '0%', end: '100%' };

/** Selectors that a layout has to know for a driver. */
export const driverSelectors = (driver: Driver): string[] => getKind(driver).selectors(driver);
export const withDriverSelectors = (driver: Driver, rename: (selector: string) => string): Driver =>
  getKind(driver).withSelectors(driver, rename);

/** What of the document a driver points at. */
export const driverReferences = (driver: Driver): Reference[] => getKind(driver).references(driver);
export const withDriverReferences = (driver: Driver, rename: (id: string) => string): Driver =>
  getKind(driver).withReferences(driver, rename);
/** Whether a driver points at the pin or trigger with this id. */
export const refersTo = (driver: Driver, id: string): boolean =>
  driverReferences(driver).some((r) => r.id === id);

/** Of two motions with the same key a range point means the same offset to both; null: of no other one. */
export function measureKey(driver: Driver, target: string): string | null {
  const key = getKind(driver).measureKey(driver, target);
  return key === null ? null : `${driver.kind} ${key}`;
}

/** Where the cues are that ends may hang on: a pin, null for the whole page, undefined for nowhere. */
export const cuesAt = (driver: Driver): string | null | undefined => getKind(driver).cuesAt(driver);

/** Timed motions with the same key can wait for each other; null: it is not timed. */
export const stageKey = (driver: Driver): string | null => getKind(driver).stageKey(driver);

/** What a preset says of a driver. */
export const driverContent = (driver: Driver): unknown => getKind(driver).content(driver);
/** `own`, with what a preset says of a driver of the same kind; `own` where the kinds differ. */
export const withDriverContent = (own: Driver, preset: Driver): Driver =>
  isSameKind(own, preset) ? getKind(own).withContent(own, preset) : own;

/** What of CSS plays a driver, and why. */
export const driverCss = (driver: Driver): DriverKind<Driver>['css'] => getKind(driver).css;
