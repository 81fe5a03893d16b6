/** Timelines of motions: anonymous ones where the target carries it, named ones where another element does. */
import { itemAt, present } from '../../assert/index.ts';
import type { PinnedLayout } from '../../page/index.ts';
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
import { trackClass } from '../html/patch.ts';
import type { Piece, WriterNote } from './piece.ts';
import { rule } from './rule.ts';

export interface NamedTimeline {
  kind: 'view' | 'scroll';
  owner: string;
  name: string;
  axis: string;
  insets: string;
  motion: string;
  /** several elements carry it, each for what stands in it: no scope may bring them together */
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

interface Context {
  motion: Motion;
  /** `--lv-…`, of a timeline that another element carries */
  name: string;
  layouts: readonly PinnedLayout[];
  pins: ReadonlyMap<string, { pin: Pin; name: string }>;
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
  scroll(driver, { motion, name, layouts }) {
    const range = asWritten(`${motion.range.start as string} ${motion.range.end as string}`, motion, layouts);
    const { scroller: owner, axis } = driver;
    if (owner === undefined) return { timeline: `scroll(root ${axis})`, range, named: null, notes: [] };
    const named: NamedTimeline = { kind: 'scroll', owner, name, axis, insets: '', motion: motion.id };
    return { timeline: name, range, named, notes: [] };
  },

  pin(driver, { motion, layouts, pins }) {
    const { pin, name: pinName } = present(pins.get(driver.pin));
    const timeline = `--lv-${pinName}-held`;
    const named: NamedTimeline = {
      kind: 'view',
      // What sticks carries no timeline that all browsers move on while it does.
      owner: `.${trackClass(pinName)}`,
      name: timeline,
      axis: 'block',
      insets: pinInsets(pin).join(' '),
      motion: motion.id,
    };
    const range = asWritten(pinRange(motion.range, pin, distanceCss(pin, layouts)), motion, layouts);
    return { timeline, range, named, notes: [] };
  },

  view(driver, { motion, name, layouts }) {
    const targets = findMatches(itemAt(layouts, 0), motion.targets.selector);
    const geometries = layouts.flatMap((layout) =>
      findMatches(layout, motion.targets.selector).flatMap((target) => {
        const subject = findSubject(driver, target, layout);
        return subject === undefined ? [] : [computeGeometry(layout, subject, driver.axis, driver.insets)];
      }),
    );
    const written = rangeCss(motion.range, driver, geometries, hasNamedPlaces(motion));
    const css = { ...written, range: asWritten(written.range, motion, layouts) };
    const notes: WriterNote[] = [];
    const note = (text: string) => void notes.push({ motion: motion.id, note: text });
    if (css.assumesViewport) note('Its range is exact where the scroller is as high as the viewport.');
    const { axis, subject } = driver;
    const [host, part] = splitPart(motion.targets.selector);
    const owner = subject === 'self' && part !== '' ? host : subject;
    const insets = css.insets[0] === css.insets[1] ? css.insets[0] : css.insets.join(' ');
    const common = commonRange(driver, css, targets[0], itemAt(layouts, 0));
    if (owner === 'self')
      return { timeline: `view(${axis} ${insets})`, range: css.range, common, named: null, notes };
    const matched = findMatches(itemAt(layouts, 0), owner);
    // What draws a pseudo-element is seen from there anyway.
    const nested =
      (matched.length > 1 || part !== '') &&
      targets.every((t) => around(t, matched, itemAt(layouts, 0)) !== undefined);
    if (matched.length > 1 && !nested)
      note(
        `${owner} matches ${matched.length} elements, and not every target is inside one; a named timeline needs exactly one.`,
      );
    const named: NamedTimeline = { kind: 'view', owner, name, axis, insets, motion: motion.id };
    return { timeline: name, range: css.range, common, named: nested ? { ...named, nested } : named, notes };
  },
};

/** Timeline and range of a motion, for all layouts at once. */
export function makeTimeline(
  motion: Motion,
  name: string,
  layouts: readonly PinnedLayout[],
  pins: ReadonlyMap<string, { pin: Pin; name: string }>,
): TimelineCss {
  const { driver } = motion;
  if (!isScrubbed(driver)) return { timeline: 'auto', range: 'normal', named: null, notes: [] };
  return TIMELINES[driver.kind](driver as never, { motion, name: `--lv-${name}`, layouts, pins });
}

/** Timelines that an element other than the target carries. Their names must be visible to the target, so the root scopes them. */
export class NamedTimelines {
  private readonly byOwner = new Map<string, NamedTimeline[]>();
  private readonly users = new Set<string>();

  /** The same timeline may serve several motions, as a pin’s does. */
  add(owner: string, timeline: NamedTimeline): void {
    this.users.add(timeline.motion);
    const known = this.byOwner.get(owner) ?? [];
    if (!known.some((t) => t.name === timeline.name)) this.byOwner.set(owner, [...known, timeline]);
  }

  find(name: string): NamedTimeline | undefined {
    return [...this.byOwner.values()].flat().find((t) => t.name === name);
  }

  /** `ever`: those of the same document under every media condition. What carries timelines in another one lets go of them here. */
  pieces(layout: PinnedLayout, ever: readonly NamedTimelines[] = [this]): Piece[] {
    const all = [...this.byOwner.values()].flat();
    if (all.length === 0 && ever.every((t) => t.byOwner.size === 0)) return [];
    const makeRule = (selector: string, list: readonly NamedTimeline[]): string[] => {
      const views = list.filter((t) => t.kind === 'view');
      const scrolls = list.filter((t) => t.kind === 'scroll');
      const lines = [
        views.length && `view-timeline: ${views.map((t) => `${t.name} ${t.axis}`).join(', ')};`,
        views.length && `view-timeline-inset: ${views.map((t) => t.insets).join(', ')};`,
        scrolls.length && `scroll-timeline: ${scrolls.map((t) => `${t.name} ${t.axis}`).join(', ')};`,
      ].filter((l) => l !== 0);
      if (lines.length) return [rule(selector, lines)];
      return ever.length > 1 && this !== ever[0] ? [rule(selector, ['view-timeline: none;'])] : [];
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
      ? [rule(':root', [`timeline-scope: ${scoped.map((t) => t.name).join(', ')};`])]
      : [];
    return [
      { id: 'timelines', motions: [...this.users], rules: [...scope, ...owners].join('\n'), keyframes: '' },
    ];
  }
}
