/**
 * How unlike two takes of a page look at a scroll offset: the share of the viewport that shows something else. Worked out from boxes, poses and
 * progress, so it is there at once and without a browser; it says nothing of colours. Chosen by us.
 */
import { isRangeless } from '../drivers/index.ts';
import { inEffect, sampleInstance } from '../motion/index.ts';
import type { CompiledTimeline } from '../motion/index.ts';
import { drawnAt } from '../page/index.ts';
import type { Px, Viewport } from '../page/index.ts';
import { newPose, makePoser, readPose } from '../trial/index.ts';
import type { Poser } from '../trial/index.ts';

const COLUMNS = 24;
const ROWS = 15;
/** Something this far from its place, px, counts as elsewhere altogether. */
const ELSEWHERE = 32;
/** Less than this cannot be seen. */
const SEEN = 0.004;

interface Look {
  left: Px;
  top: Px;
  width: Px;
  height: Px;
  opacity: number;
  /** own progress of what moves it otherwise: clip, colour, stroke …; by property */
  other: Map<string, string>;
}

/** One side: what moves which element, and how. */
interface Side {
  timeline: CompiledTimeline;
  posers: Map<number, Poser[]>;
}

const findSide = (timeline: CompiledTimeline): Side => {
  const posers = new Map<number, Poser[]>();
  timeline.instances.forEach(({ element, motion }, i) => {
    if (isRangeless(motion.driver)) return;
    const known = posers.get(element);
    if (known) known.push(makePoser(timeline, i));
    else posers.set(element, [makePoser(timeline, i)]);
  });
  return { timeline, posers };
};

const POSED = new Set(['translate', 'rotate', 'scale', 'transform', 'opacity']);
const pose = newPose();

function makeLook({ timeline, posers }: Side, element: number, y: Px): Look {
  const e = timeline.layout.elements[element]!;
  const look: Look = {
    left: e.box.x,
    top: drawnAt(e, y),
    width: e.box.width,
    height: e.box.height,
    opacity: Number.parseFloat(e.base?.opacity ?? '1'),
    other: new Map(),
  };
  for (const p of posers.get(element) ?? []) {
    // Other scrollers stand at their start, and what plays in time has not begun.
    sampleInstance(timeline, p.instance, timeline.channel[p.instance] === 0 ? y : 0);
    if (!inEffect(timeline, p.instance)) continue;
    const { corners, opacity } = readPose(timeline, p, pose);
    if (p.opacity >= 0) look.opacity = opacity;
    if (p.moves) {
      const x = [0, 2, 4, 6].map((i) => corners[i]! + (i % 4 ? e.box.width : 0));
      const z = [1, 3, 5, 7].map((i) => corners[i]! + (i > 4 ? e.box.height : 0));
      look.left = e.box.x + Math.min(...x);
      look.top = drawnAt(e, y) + Math.min(...z);
      look.width = Math.max(...x) - Math.min(...x);
      look.height = Math.max(...z) - Math.min(...z);
    }
    for (let t = timeline.firstTrack[p.instance]!; t < timeline.firstTrack[p.instance + 1]!; t++) {
      const { property } = timeline.tracks[t]!;
      if (POSED.has(property)) continue;
      const from = timeline.trackSlot[t]!;
      const first = timeline.width[timeline.firstSegment[t]!]!;
      look.other.set(
        property,
        Array.from(timeline.values.subarray(from, from + first), (v) => v.toFixed(2)).join(),
      );
    }
  }
  return look;
}

/** How much of what an element shows differs, 0 … 1, as far as it can be seen at all: edges outside of the window cannot. */
function differingLooks(a: Look, b: Look, { width, height }: Viewport): number {
  const across = (x: Px) => Math.min(width, Math.max(0, x));
  const down = (y: Px) => Math.min(height, Math.max(0, y));
  const apart = Math.max(
    Math.abs(across(a.left) - across(b.left)),
    Math.abs(down(a.top) - down(b.top)),
    Math.abs(across(a.left + a.width) - across(b.left + b.width)),
    Math.abs(down(a.top + a.height) - down(b.top + b.height)),
  );
  const otherwise = [...new Set([...a.other.keys(), ...b.other.keys()])].some(
    (p) => a.other.get(p) !== b.other.get(p),
  );
  const both = Math.min(a.opacity, b.opacity);
  return Math.min(
    1,
    Math.abs(a.opacity - b.opacity) + both * Math.min(1, apart / ELSEWHERE + (otherwise ? 0.5 : 0)),
  );
}

/** Motions are taken to bring nothing into sight from more than this many screens away. */
const REACH = 2;
const isNear = (
  { elements, viewport }: CompiledTimeline['layout'],
  i: number,
  y: Px,
  screens: number,
): boolean => {
  const top = drawnAt(elements[i]!, y);
  const reach = screens * viewport.height;
  return top < viewport.height + reach && top + elements[i]!.box.height > -reach;
};

/**
 * `y` → share of the viewport, 0 … 1. Both takes must be of one page’s elements in one order; elements in inner scrollers and what plays in time
 * are left out.
 */
export function visualDifference(a: CompiledTimeline, b: CompiledTimeline): (y: Px) => number {
  const { viewport, elements } = a.layout;
  const [one, two] = [findSide(a), findSide(b)];
  const [how, howElse] = [movedHow(a), movedHow(b)];
  const known = new Map<Px, number>();
  const moved = elements.flatMap((e, i) => {
    const f = b.layout.elements[i];
    if (!f || e.scroller !== 0) return [];
    const displaced = e.box.y !== f.box.y || e.box.height !== f.box.height || !sameSticky(e.sticky, f.sticky);
    return displaced || how.get(i) !== howElse.get(i) ? [i] : [];
  });
  const travels = new Set(
    [one, two].flatMap(({ posers }) =>
      [...posers].flatMap(([i, list]) => (list.some((p) => p.moves) ? [i] : [])),
    ),
  );
  const cells = new Float32Array(COLUMNS * ROWS);
  return (y) => {
    const hit = known.get(y);
    if (hit !== undefined) return hit;
    cells.fill(0);
    for (const i of moved) {
      const reach = travels.has(i) ? REACH : 0;
      if (!isNear(a.layout, i, y, reach) && !isNear(b.layout, i, y, reach)) continue;
      const [p, q] = [makeLook(one, i, y), makeLook(two, i, y)];
      const much = differingLooks(p, q, viewport);
      if (much < SEEN) continue;
      for (const look of [p, q]) if (look.opacity > 0.01) fill(cells, look, much, viewport);
    }
    const share = cells.reduce((sum, c) => sum + c, 0) / cells.length;
    known.set(y, share);
    return share;
  };
}

/** All that moves an element, and where: elements of which both takes say the same look alike. */
function movedHow(timeline: CompiledTimeline): Map<number, string> {
  const words = new Map(timeline.instances.map(({ motion }) => [motion, JSON.stringify(motion)]));
  const out = new Map<number, string>();
  timeline.instances.forEach(({ element, motion }, i) =>
    out.set(
      element,
      `${out.get(element) ?? ''}${words.get(motion)} ${timeline.start[i]} ${timeline.end[i]} `,
    ),
  );
  return out;
}

const sameSticky = (a: { at: Px; travel: Px } | null, b: { at: Px; travel: Px } | null) =>
  a === b || (a !== null && b !== null && a.at === b.at && a.travel === b.travel);

function fill(cells: Float32Array, look: Look, much: number, viewport: Viewport): void {
  const at = (px: Px, size: Px, count: number) =>
    Math.min(count, Math.max(0, Math.round((px / size) * count)));
  const [x0, x1] = [look.left, look.left + look.width].map((x) => at(x, viewport.width, COLUMNS)) as [
    number,
    number,
  ];
  const [y0, y1] = [look.top, look.top + look.height].map((z) => at(z, viewport.height, ROWS)) as [
    number,
    number,
  ];
  for (let r = y0; r < y1; r++)
    for (let c = x0; c < x1; c++) cells[r * COLUMNS + c] = Math.max(cells[r * COLUMNS + c]!, much);
}
