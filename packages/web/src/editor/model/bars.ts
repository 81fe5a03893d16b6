/** Bars of the lanes: every motion where it happens, in a column where it and its label have room. */
import { asScroll, isPointed, isTimed, maxScroll, listPlaces, itemAt, present } from '@lyvek/core';
import type { Layout, Motion, MotionDocument, Placed } from '@lyvek/core';

export interface Bar {
  motion: Motion;
  element: number;
  placed: Placed;
  /** the same motion on further elements, and which these are */
  others: Placed[];
  otherElements: number[];
  /** all that can be scrolled where it happens, px */
  max: number;
}
export interface Unplaced {
  motion: Motion;
  reason: string;
}

const cache = new WeakMap<Layout, WeakMap<Motion, Bar | Unplaced>>();

/** Placement of a motion, remembered as long as neither it nor the layout changes. */
export function findBar(motion: Motion, layout: Layout): Bar | Unplaced {
  const known = cache.get(layout) ?? present(cache.set(layout, new WeakMap()).get(layout));
  const hit = known.get(motion);
  if (hit) return hit;
  const made = place(motion, layout);
  known.set(motion, made);
  return made;
}

function place(motion: Motion, layout: Layout): Bar | Unplaced {
  const places = listPlaces(motion, layout);
  if (places.length === 0) return { motion, reason: `no element matches ${motion.targets.selector}` };
  const good = places.filter((x): x is { element: number; placed: Placed } => !('reason' in x.placed));
  const first = good[0];
  if (!first) return { motion, reason: (itemAt(places, 0).placed as { reason: string }).reason };
  return {
    motion,
    element: first.element,
    placed: first.placed,
    others: good.slice(1).map((x) => x.placed),
    otherElements: good.slice(1).map((x) => x.element),
    max: maxScroll(layout, first.placed),
  };
}

/**
 * The bar as its motion is on the element nearest to a scroll offset: what is dragged in the page is what is seen there. Staggered ones are
 * counted from their first element, so that one stays.
 */
export function nearestBar(bar: Bar, offset: number): Bar {
  if (bar.others.length === 0 || bar.motion.stagger) return bar;
  const all = [
    { element: bar.element, placed: bar.placed },
    ...bar.others.map((placed, i) => ({ element: itemAt(bar.otherElements, i), placed })),
  ];
  const away = ({ placed }: { placed: Placed }) => Math.abs((placed.start + placed.end) / 2 - offset);
  const near = all.reduce((best, one) => (away(one) < away(best) ? one : best));
  return near.element === bar.element ? bar : { ...bar, ...near };
}

export const isPlaced = (b: Bar | Unplaced): b is Bar => 'placed' in b;

export function computeBars(document: MotionDocument, layout: Layout): { bars: Bar[]; unplaced: Unplaced[] } {
  // Timed motions have no bar: their trigger has a flag.
  const all = document.motions.flatMap((m) => (isTimed(m.driver) ? [] : [findBar(m, layout)]));
  return { bars: all.filter(isPlaced), unplaced: all.filter((b): b is Unplaced => !isPlaced(b)) };
}

/** Where a bar stands across the lanes; `label` is the room beside it, 0 where none is left. */
export interface LaneSlot {
  x: number;
  /** which column or track, so that a bar keeps it when others move */
  column: number;
  label: number;
}

const BAR = 12;
const LABEL = 104;
const TRACK = 12;
/** Columns narrower than this have no room for a label. */
const NARROWEST = 72;
/** px between a label and the next bar: the sign of a finding, and some air */
const SIGN = 21;
/** Rows that a label of two lines takes. */
const LABEL_ROWS = 32;
/** Rows that the title of a pin takes, and its width with a long name, px. */
const TITLE_ROWS = 17;
const TITLE_WIDTH = 200;

/**
 * Whole-page motions get narrow tracks at the left; view timelines get columns. A column is taken again once the bar above it and its
 * label have ended. When there are more bars at one height than columns, the columns become narrower and labels drop. Titles of
 * pins, by the offset where they stand, keep the first columns free for themselves.
 */
export function arrange(
  bars: readonly Bar[],
  width: number,
  perPx: number,
  before: ReadonlyMap<string, LaneSlot> = new Map(),
  titles: readonly number[] = [],
): Map<string, LaneSlot> {
  const slots = new Map<string, LaneSlot>();
  const sorted = [...bars].sort((a, b) => a.placed.start - b.placed.start);
  const labelled = (b: Bar) => b.placed.start + LABEL_ROWS * perPx;
  const tracks: number[] = [];
  const kept = (b: Bar) => before.get(b.motion.id)?.column;
  for (const b of sorted) {
    if (!isPage(b)) continue;
    const column = take(tracks, b.placed.start, Math.max(b.placed.end, labelled(b)), kept(b));
    slots.set(b.motion.id, { x: 10 + column * TRACK, label: LABEL, column });
  }
  const left = 22 + tracks.length * TRACK;
  const room = Math.max(60, width - left);
  const wide = Math.max(1, Math.floor((room + 8) / (BAR + LABEL)));
  const above: Titles = {
    columns: Math.min(Math.ceil((TITLE_WIDTH * wide) / room), wide - 1) || 1,
    until: (b) => Math.max(...titles.filter((t) => t <= b.placed.start).map((t) => t + TITLE_ROWS * perPx)),
  };
  // With room for its label where possible; where that takes too many columns, labels give way to bars.
  const roomy = listColumns(sorted, {
    least: wide,
    until: (b) => Math.max(b.placed.end, labelled(b)) + 6 * perPx,
    labelled,
    kept,
    above,
  });
  const crowded = roomy.count > Math.max(wide, Math.floor(room / NARROWEST));
  const { index, count } = crowded
    ? listColumns(sorted, { least: 1, until: (b) => b.placed.end + 4 * perPx, kept, above })
    : roomy;
  const pitch = room / count;
  // The next column begins with the sign of a finding.
  const label = pitch >= NARROWEST ? pitch - BAR - SIGN : 0;
  const below = new Map<number, number>();
  for (const b of sorted.toReversed()) {
    const column = index.get(b.motion.id);
    if (column === undefined) continue;
    const free = !crowded || (below.get(column) ?? Infinity) >= labelled(b);
    slots.set(b.motion.id, { x: left + column * pitch + BAR / 2, label: free ? label : 0, column });
    below.set(column, b.placed.start);
  }
  // Of whole-page labels at one height only the first has room.
  const labels: number[] = [];
  for (const b of sorted.filter(isPage)) {
    const free = labels.every((y) => Math.abs(y - b.placed.start) >= LABEL_ROWS * perPx);
    if (free) labels.push(b.placed.start);
    else slots.set(b.motion.id, { ...present(slots.get(b.motion.id)), label: 0 });
  }
  const besidePages = sorted.filter((b) => index.get(b.motion.id) === 0);
  for (const b of sorted.filter(isPage)) {
    const covered = besidePages.some((o) => o.placed.start < labelled(b) && o.placed.end > b.placed.start);
    if (covered) slots.set(b.motion.id, { ...present(slots.get(b.motion.id)), label: 0 });
  }
  return slots;
}

/** What titles of pins take of the columns. */
interface Titles {
  columns: number;
  /** where the titles that stand before the beginning of this bar have ended */
  until(b: Bar): number;
}

interface Columns {
  /** so many at least */
  least: number;
  /** where the column of a bar is free again */
  until(b: Bar): number;
  /** where the label of a whole-page bar ends; null: they have none */
  labelled?: ((b: Bar) => number) | null;
  /** the column that a bar had before */
  kept(b: Bar): number | undefined;
  above: Titles;
}

/** Columns by bar. A whole-page label stands in the first column’s way, where labels count. */
function listColumns(
  sorted: readonly Bar[],
  { least, until, labelled = null, kept, above }: Columns,
): { index: Map<string, number>; count: number } {
  const columns: number[] = new Array<number>(least).fill(-Infinity);
  const index = new Map<string, number>();
  for (const b of sorted) {
    if (isPage(b)) columns[0] = labelled ? Math.max(itemAt(columns, 0), labelled(b)) : itemAt(columns, 0);
    else {
      const titled = above.until(b);
      for (let i = 0; i < Math.min(above.columns, columns.length); i++)
        columns[i] = Math.max(itemAt(columns, i), titled);
      index.set(b.motion.id, take(columns, b.placed.start, until(b), kept(b)));
    }
  }
  return { index, count: columns.length };
}

/** It is about no stretch of the page, and stands beside the ruler. */
const isPage = (b: Bar) => asScroll(b.motion.driver) !== null || isPointed(b.motion.driver);

/** The column it had, else the one that has been free the longest, else a new one; marks it taken until `end`. */
function take(columns: number[], start: number, end: number, kept?: number): number {
  let i = kept !== undefined && (columns[kept] ?? Infinity) <= start ? kept : -1;
  if (i < 0)
    columns.forEach((until, k) => {
      if (until <= start && (i < 0 || until < itemAt(columns, i))) i = k;
    });
  if (i < 0) i = columns.length;
  columns[i] = end;
  return i;
}
