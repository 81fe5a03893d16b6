/** Timelines of motions: anonymous ones where the target carries it, named ones where another element does. */
import { itemAt, present } from '../../assert/index.ts';
import type { Axis, Layout, PinnedLayout } from '../../page/index.ts';
import { computeGeometry, findMatches, splitPart } from '../../page/index.ts';
import { isScrubbed, findSubject, placeRange } from '../../drivers/index.ts';
import type { ScrubbedDriver } from '../../drivers/index.ts';
import { around, isNamedPlace } from '../../timeline/index.ts';
import type { Motion, Pin } from '../../motion/index.ts';
import { rangeCss } from './range-css.ts';
import type { RangeCss } from './range-css.ts';
import { withoutScroll } from './scroll-range.ts';
import { splitRange } from './split-range.ts';
import { distanceCss, pinInsets, pinRange } from './pin-css.ts';
import { writtenSelector } from '../selectors/marks.ts';
import { joinSelectors, overlaps } from './overlaps.ts';
import { toPiece } from './piece.ts';
import type { Piece, WriterNote } from './piece.ts';
import type { StyleRule } from './rule.ts';

export interface NamedTimeline {
  kind: 'view' | 'scroll';
  owner: string;
  name: string;
  axis: string;
  insets: string;
  motion: string;
  /** all that moves by it stands inside of what carries it, so no scope need bring them together */
  nested?: boolean;
}

export interface TimelineCss {
  timeline: string;
  range: string;
  /** the same where `scroll` is no name of a range */
  common?: string | null;
  /** null where the target carries its timeline itself */
  named: NamedTimeline | null;
  notes: WriterNote[];
}

const hasNamedPlaces = (m: Motion) =>
  Object.values(m.keyframes).some((keyframes) => keyframes.some((s) => isNamedPlace(s.at)));

/** A pin with its name in CSS and the class of its track. */
export interface NamedPin {
  pin: Pin;
  name: string;
  track: string;
}

/** What carries timelines: pins, and other elements with the names of theirs. */
export interface Carriers {
  layouts: readonly PinnedLayout[];
  pins: ReadonlyMap<string, NamedPin>;
  owners: ReadonlyMap<string, string>;
}

interface Context extends Carriers {
  motion: Motion;
  /** `--…`, of a timeline that another element carries */
  name: string;
}

type Written = {
  [K in ScrubbedDriver['kind']]: (driver: Extract<ScrubbedDriver, { kind: K }>, c: Context) => TimelineCss;
};

/** At every measured size it ends before it begins, for each of its targets. */
function runsBack({ driver, range, targets }: Motion, layouts: readonly PinnedLayout[]): boolean {
  const all = layouts.flatMap((layout) =>
    findMatches(layout, targets.selector).flatMap((target) => {
      const placed = placeRange(driver, range, target, layout);
      return 'reason' in placed ? [] : [placed];
    }),
  );
  return all.length > 0 && all.every(({ start, end }) => end < start);
}

/** Browsers agree on ranges of no length, and not on those that run backwards: some jump at their start, some never leave it. */
function asWritten(range: string, motion: Motion, layouts: readonly PinnedLayout[]): string {
  if (!runsBack(motion, layouts)) return range;
  const [start = range] = splitRange(range);
  return `${start} ${start}`;
}

const isInside = (targets: string, owner: string, layout: PinnedLayout): boolean => {
  const owners = findMatches(layout, owner);
  return findMatches(layout, targets).every((t) => around(t, owners, layout) !== undefined);
};

const carriedName = (owner: string, owners: ReadonlyMap<string, string>, otherwise: string): string => {
  const name = owners.get(owner);
  return name === undefined ? otherwise : `--${name}`;
};

const words = (...list: string[]): string => list.filter(Boolean).join(' ');
/** What is left out is the block axis. */
const axisWord = (axis: string): string => (axis === 'block' ? '' : axis);

/** What is left out is the scroller’s scroll padding, which most have none of. */
function insetsWord(
  [start, end]: readonly [string, string],
  subjects: readonly { layout: Layout; element: number }[],
  axis: Axis,
): string {
  const isUnpadded = () =>
    subjects.every(({ layout, element }) =>
      computeGeometry(layout, element, axis, ['auto', 'auto']).insets.every((px) => px === 0),
    );
  if (start === '0px' && end === '0px' && subjects.length > 0 && isUnpadded()) return '';
  return start === end ? (start === 'auto' ? '' : start) : `${start} ${end}`;
}

/** Of the first target: where there are several, the ends of the page lie elsewhere for each. */
function commonRange(
  driver: Extract<ScrubbedDriver, { kind: 'view' }>,
  { range, insets }: RangeCss,
  target: number | undefined,
  layout: PinnedLayout,
): string | null {
  const element = target === undefined ? undefined : findSubject(driver, target, layout);
  return element === undefined ? null : withoutScroll(range, { layout, element, axis: driver.axis, insets });
}

/** How each kind of driver is written. */
const TIMELINES: Written = {
  scroll(driver, { motion, name: own, layouts, owners }) {
    const range = asWritten(`${motion.range.start as string} ${motion.range.end as string}`, motion, layouts);
    const { scroller: owner, axis } = driver;
    if (owner === undefined)
      return { timeline: `scroll(${words('root', axisWord(axis))})`, range, named: null, notes: [] };
    // The timeline of an element is one for all that move by it.
    const name = axis === 'block' ? carriedName(owner, owners, own) : own;
    const nested = isInside(motion.targets.selector, owner, itemAt(layouts, 0));
    const named: NamedTimeline = { kind: 'scroll', owner, name, axis, insets: '', motion: motion.id, nested };
    return { timeline: name, range, named, notes: [] };
  },

  pin(driver, { motion, layouts, pins }) {
    const [layout] = layouts as [PinnedLayout];
    const { pin, name: pinName, track } = present(pins.get(driver.pin));
    const timeline = `--${pinName}-held`;
    const named: NamedTimeline = {
      kind: 'view',
      // What sticks carries no timeline that all browsers move on while it does.
      owner: `.${track}`,
      name: timeline,
      axis: 'block',
      insets: pinInsets(pin).join(' '),
      motion: motion.id,
      nested: isInside(motion.targets.selector, pin.stage, layout),
    };
    const range = asWritten(pinRange(motion.range, pin, distanceCss(pin, layouts)), motion, layouts);
    return { timeline, range, named, notes: [] };
  },

  view(driver, { motion, name: own, layouts, owners }) {
    const targets = findMatches(itemAt(layouts, 0), motion.targets.selector);
    const subjects = layouts.flatMap((layout) =>
      findMatches(layout, motion.targets.selector).flatMap((target) => {
        const element = findSubject(driver, target, layout);
        return element === undefined ? [] : [{ layout, element }];
      }),
    );
    const geometries = subjects.map(({ layout, element }) =>
      computeGeometry(layout, element, driver.axis, driver.insets),
    );
    const written = rangeCss(motion.range, driver, geometries, hasNamedPlaces(motion));
    const css = { ...written, range: asWritten(written.range, motion, layouts) };
    const notes: WriterNote[] = [];
    const note = (text: string) => void notes.push({ motion: motion.id, note: text });
    if (css.assumesViewport) note('Its range is exact where the scroller is as high as the viewport.');
    const { axis, subject } = driver;
    const [host, part] = splitPart(motion.targets.selector);
    const owner = subject === 'self' && part !== '' ? host : subject;
    const insets = insetsWord(css.insets, subjects, axis);
    const common = commonRange(driver, css, targets[0], itemAt(layouts, 0));
    if (owner === 'self')
      return {
        timeline: `view(${words(axisWord(axis), insets)})`,
        range: css.range,
        common,
        named: null,
        notes,
      };
    const matched = findMatches(itemAt(layouts, 0), owner);
    // Names of timelines are known to what stands inside of what carries them.
    const nested = targets.every((t) => around(t, matched, itemAt(layouts, 0)) !== undefined);
    if (matched.length > 1 && !nested)
      note(
        `${owner} matches ${matched.length} elements, and not every target is inside one; a named timeline needs exactly one.`,
      );
    const isPlain = axis === 'block' && css.insets.every((inset) => inset === '0px');
    const name = isPlain ? carriedName(owner, owners, own) : own;
    const named: NamedTimeline = { kind: 'view', owner, name, axis, insets, motion: motion.id };
    return { timeline: name, range: css.range, common, named: nested ? { ...named, nested } : named, notes };
  },
};

/** Timeline and range of a motion, for all layouts at once. */
export function makeTimeline(motion: Motion, name: string, carriers: Carriers): TimelineCss {
  const { driver } = motion;
  if (!isScrubbed(driver)) return { timeline: 'auto', range: 'normal', named: null, notes: [] };
  return TIMELINES[driver.kind](driver as never, { motion, name: `--${name}`, ...carriers });
}

/** `view-timeline: --name inline 10%` for one; for several lists, in which the inset has a longhand of its own. */
function carried(list: readonly NamedTimeline[]): Record<string, string> {
  const declare = (kind: NamedTimeline['kind']): Record<string, string> => {
    const own = list.filter((t) => t.kind === kind);
    return own.length === 0
      ? {}
      : { [`${kind}-timeline`]: own.map((t) => words(t.name, axisWord(t.axis), t.insets)).join(', ') };
  };
  return { ...declare('view'), ...declare('scroll') };
}

/** Timelines that an element other than the target carries. Their names must be visible to the target, so the root scopes them. */
export class NamedTimelines {
  private readonly byOwner = new Map<string, NamedTimeline[]>();
  private readonly users = new Set<string>();

  /** The same timeline may serve several motions, as a pin’s does. */
  add(owner: string, timeline: NamedTimeline): void {
    this.users.add(timeline.motion);
    const known = this.byOwner.get(owner) ?? [];
    const same = known.find((t) => t.name === timeline.name);
    if (!same) return void this.byOwner.set(owner, [...known, timeline]);
    if (!same.nested || timeline.nested) return;
    this.byOwner.set(
      owner,
      known.map((t) => (t === same ? timeline : t)),
    );
  }

  find(name: string): NamedTimeline | undefined {
    return [...this.byOwner.values()].flat().find((t) => t.name === name);
  }

  /** `ever`: those of the same document under every media condition. What carries timelines in another one lets go of them here. */
  pieces(layout: PinnedLayout, ever: readonly NamedTimelines[] = [this]): Piece[] {
    const all = [...this.byOwner.values()].flat();
    if (all.length === 0 && ever.every((t) => t.byOwner.size === 0)) return [];
    const makeRule = (selector: string, list: readonly NamedTimeline[]): StyleRule[] => {
      if (list.length) return [{ selector, set: carried(list) }];
      return ever.length > 1 && this !== ever[0] ? [{ selector, set: { 'view-timeline': 'none' } }] : [];
    };
    const selectors = [...new Set(ever.flatMap((t) => [...t.byOwner.keys()]))];
    const toList = (owner: string) => this.byOwner.get(owner) ?? [];
    const owners = [
      ...selectors.flatMap((owner) => makeRule(writtenSelector(owner, layout), toList(owner))),
      ...overlaps(selectors, layout).flatMap((group) =>
        makeRule(joinSelectors(group, layout), group.flatMap(toList)),
      ),
    ];
    const scoped = all.filter((t) => !t.nested);
    const scope = scoped.length
      ? [{ selector: ':root', set: { 'timeline-scope': scoped.map((t) => t.name).join(', ') } }]
      : [];
    return [toPiece({ id: 'timelines', motions: [...this.users], styles: [...scope, ...owners] })];
  }
}
