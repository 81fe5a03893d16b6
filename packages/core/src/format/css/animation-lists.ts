/** Animation lists of an element as longhands, and the shortest declarations that say them. */
import { itemAt } from '../../assert/index.ts';
import { meetingNote } from './meeting-note.ts';
import type { Declarations } from './rule.ts';
import { splitRange } from './split-range.ts';

/** Longhands with their initial values (CSS Animations 2, Scroll-driven Animations 1), in the order in which the shorthand takes its own. */
const INITIAL = {
  'animation-name': 'none',
  'animation-duration': 'auto',
  'animation-timing-function': 'ease',
  'animation-delay': '0ms',
  'animation-iteration-count': '1',
  'animation-direction': 'normal',
  'animation-fill-mode': 'none',
  'animation-timeline': 'auto',
  'animation-range': 'normal',
  'animation-trigger': 'none',
  'animation-composition': 'replace',
} as const;
export type AnimationLonghand = keyof typeof INITIAL;
export type AnimationLists = Readonly<Record<AnimationLonghand, readonly string[]>>;

const LONGHANDS = Object.keys(INITIAL) as AnimationLonghand[];
const IN_SHORTHAND = LONGHANDS.slice(0, 7);
/** The shorthand sets them back without taking them. */
const RESET = ['animation-timeline', 'animation-range'] as const;

export const isAnimationList = (property: string): property is AnimationLonghand => property in INITIAL;

/** One animation’s longhands; what is left out is initial. */
export type AnimationEntry = Partial<Record<AnimationLonghand, string>>;

const toRecord = <T>(of: (longhand: AnimationLonghand) => T): Record<AnimationLonghand, T> =>
  Object.fromEntries(LONGHANDS.map((l) => [l, of(l)])) as Record<AnimationLonghand, T>;

/** Entries as lists. */
export const listAnimations = (entries: readonly AnimationEntry[]): AnimationLists =>
  toRecord((l) => entries.map((e) => e[l] ?? INITIAL[l]));

/** No animation; what triggers it is let go of too. */
export const NO_ANIMATIONS = listAnimations([{}]);
export const isNone = (set: Declarations): boolean => String(set['animation-name']) === 'none';

/** Whether a later shorthand takes all of it back. */
export const isReset = (set: Declarations): boolean =>
  (['animation-trigger', 'animation-composition'] as const).every((l) => isInitial(l, seenList(set, l)));

/** CSS repeats a list that is too short. */
const shortList = (list: readonly string[]): readonly string[] =>
  list.every((v) => v === list[0]) ? list.slice(0, 1) : list;

/** A list of timelines that is no longer than this stands on one line. Others have one for each animation, so that an edit changes one. */
const LINE = 90;

function joined(list: readonly string[], inLine = false): string {
  const line = list.join(', ');
  return list.length > 1 && !(inLine && line.length <= LINE) ? `\n    ${list.join(',\n    ')}` : ` ${line}`;
}

/** `entry 0% entry 100%` is `entry`, and the whole of a timeline has no name. */
function shortRange(range: string): string {
  const [start = '', end = ''] = splitRange(range);
  const name = /^([a-z-]+) 0%$/.exec(start)?.[1];
  if (name !== undefined && end === `${name} 100%`) return name === 'cover' ? 'normal' : name;
  return start === '0%' && end === '100%' ? 'normal' : range;
}

const writtenList = (longhand: AnimationLonghand, list: readonly string[]): readonly string[] =>
  shortList(longhand === 'animation-range' ? list.map(shortRange) : list);

const isInitial = (longhand: AnimationLonghand, list: readonly string[]): boolean =>
  list.every((v) => v === INITIAL[longhand]);

const line = (longhand: string, list: readonly string[]): string =>
  `${longhand}:${joined(list, longhand === 'animation-timeline')};`;

/** What neither was set nor differs from the start needs no word. */
const seenList = (over: Declarations, longhand: AnimationLonghand): readonly string[] =>
  (over[longhand] as readonly string[] | undefined) ?? [INITIAL[longhand]];

const isSame = (longhand: AnimationLonghand, a: readonly string[], b: readonly string[]): boolean =>
  writtenList(longhand, a).join() === writtenList(longhand, b).join();

/** Behind the timeline of a single animation. */
const noteFor = (longhand: AnimationLonghand, lists: AnimationLists): string =>
  longhand === 'animation-timeline' && lists['animation-name'].length === 1
    ? meetingNote(itemAt(lists['animation-timeline'], 0), itemAt(lists['animation-range'], 0))
    : '';

/** The shorthand first, since it sets back timeline and range; not triggers, and not how animations compose. */
function whole(lists: AnimationLists, over: Declarations): string[] {
  const rows = lists['animation-name'].map((name, i) =>
    [
      name,
      ...IN_SHORTHAND.slice(1).flatMap((l) => {
        const value = itemAt(lists[l], i);
        // A delay is told from a duration by its place.
        const isNeeded = l === 'animation-duration' && itemAt(lists['animation-delay'], i) !== '0ms';
        return value === INITIAL[l] && !isNeeded ? [] : [value];
      }),
    ].join(' '),
  );
  return [
    line('animation', rows),
    ...RESET.flatMap((l) => {
      const list = writtenList(l, lists[l]);
      return isInitial(l, list) ? [] : [line(l, list) + noteFor(l, lists)];
    }),
    ...(['animation-trigger', 'animation-composition'] as const).flatMap((l) =>
      isSame(l, lists[l], seenList(over, l)) ? [] : [line(l, writtenList(l, lists[l]))],
    ),
  ];
}

const END = 'animation-range-end';
const START = 'animation-range-start';

/** A range of which one end stays says the other. */
function rangeLine(now: readonly string[], before: readonly string[]): string {
  const list = writtenList('animation-range', now);
  const [a, b] = [splitRange(now[0] ?? ''), splitRange(before[0] ?? '')];
  if (new Set(now).size === 1 && new Set(before).size === 1 && a.length === 2 && b.length === 2) {
    if (a[0] === b[0]) return `${END}: ${a[1]};`;
    if (a[1] === b[1]) return `${START}: ${a[0]};`;
  }
  return line('animation-range', list);
}

/** Lines, and the longhands that they set. */
interface Written {
  lines: string[];
  sets: readonly AnimationLonghand[];
}

/**
 * The declarations for what a rule sets, `over` what is there already: those longhands that differ, or all of it, whichever is shorter.
 * Nothing where nothing differs.
 */
export function writeAnimations(set: Declarations, over: Declarations): Written {
  if (!('animation-name' in set)) {
    // A rule that sets a single one.
    const sets = LONGHANDS.filter(
      (l) => l in set && !(l in over && isSame(l, set[l] as readonly string[], seenList(over, l))),
    );
    return { sets, lines: sets.map((l) => line(l, writtenList(l, set[l] as readonly string[]))) };
  }
  const lists = set as unknown as AnimationLists;
  const all = { lines: whole(lists, over), sets: LONGHANDS };
  if (!('animation-name' in over)) return all;
  const changed = LONGHANDS.filter((l) => !isSame(l, lists[l], seenList(over, l)));
  // Lists of other lengths would be read against each other.
  if (lists['animation-name'].length !== seenList(over, 'animation-name').length)
    return changed.length ? all : { lines: [], sets: [] };
  const single = changed.map((l) =>
    l === 'animation-range' ? rangeLine(lists[l], seenList(over, l)) : line(l, writtenList(l, lists[l])),
  );
  if (isNone(set) && changed.length) return all;
  return single.join('\n').length < all.lines.join('\n').length ? { lines: single, sets: changed } : all;
}
