/**
 * Scroll containers that a reader cannot scroll. `overflow: hidden` makes one (CSS Overflow 3, §3.1), and view timelines of what lies in it are
 * measured against it, so they stand still. `overflow: clip` makes none.
 */
import { itemAt } from '../assert/index.ts';
import type { Box, ElementFacts, Layout } from './layout.ts';

/** The element that a scroller is, −1 for the page itself or where it was not measured. */
export function elementOfScroller(layout: Layout, scroller: number): number {
  let places = known.get(layout);
  if (!places) {
    const indexes = new Map(layout.elements.map((e, i) => [e.selector, i]).reverse() as [string, number][]);
    places = layout.scrollers.map(({ selector }) => (selector === null ? -1 : (indexes.get(selector) ?? -1)));
    known.set(layout, places);
  }
  return places[scroller] ?? -1;
}
/** Layouts are never changed, and every box asks. */
const known = new WeakMap<Layout, number[]>();

/** Computed overflow in x and y. */
function readOverflow(e: ElementFacts | undefined): [x: string, y: string] {
  const [x = 'visible', y = x] = (e?.overflow ?? 'visible').split(/\s+/);
  return [x, y];
}

/** Nothing of it can be scrolled along this axis: there is no room, or it is hidden and offers the reader no way. */
export function isStill(layout: Layout, scroller: number, axis: 'block' | 'inline'): boolean {
  if (scroller === 0) return false;
  const own = readOverflow(layout.elements[elementOfScroller(layout, scroller)])[axis === 'inline' ? 0 : 1];
  return own === 'hidden' || itemAt(layout.scrollers, scroller).max[axis] <= 1;
}

/** It hides along both axes and scrolls along neither, so `overflow: clip` shows just the same. */
export function canBeClipped(layout: Layout, scroller: number): boolean {
  const own = readOverflow(layout.elements[elementOfScroller(layout, scroller)]);
  return own.every((o) => o === 'hidden' || o === 'clip');
}

/** A box in the page's own coordinates; of what lies in an inner scroller, as it stands before that is scrolled. */
export function pageBox(layout: Layout, element: number): Box {
  const e = itemAt(layout.elements, element);
  const outer = e.fixed ? -1 : elementOfScroller(layout, e.scroller);
  if (outer < 0 || outer === element) return e.box;
  const at = pageBox(layout, outer);
  return { ...e.box, x: at.x + e.box.x, y: at.y + e.box.y };
}

/**
 * A box drawn small where its scroller is drawn: the whole of what can be scrolled there fills the scroller, so that everything in it has a
 * place inside of it. What scrolls with the page has its own place.
 */
export function mapBox(layout: Layout, element: number): Box {
  const e = itemAt(layout.elements, element);
  const outer = e.fixed ? -1 : elementOfScroller(layout, e.scroller);
  if (outer < 0 || outer === element) return e.box;
  const at = mapBox(layout, outer);
  const { port, max } = itemAt(layout.scrollers, e.scroller);
  const across = at.width / Math.max(1, port.width + max.inline);
  const down = at.height / Math.max(1, port.height + max.block);
  return {
    x: at.x + e.box.x * across,
    y: at.y + e.box.y * down,
    width: e.box.width * across,
    height: e.box.height * down,
  };
}

/** The layout as it is once these scrollers clip: what lay in them lies in the scroller around them. Borders of the boxes are left out. */
function withClipped<L extends Layout>(layout: L, scroller: number): L {
  const holder = layout.elements[elementOfScroller(layout, scroller)];
  if (!holder) return layout;
  return {
    ...layout,
    elements: layout.elements.map((e) =>
      e.scroller !== scroller || e.fixed
        ? e
        : {
            ...e,
            scroller: holder.scroller,
            box: { ...e.box, x: e.box.x + holder.box.x, y: e.box.y + holder.box.y },
          },
    ),
  };
}

/** The layout with every still scroller around an element clipping, and which those are, from the inside out. */
export function openedAround<L extends Layout>(layout: L, element: number): { layout: L; clipped: string[] } {
  const clipped: string[] = [];
  let out = layout;
  for (;;) {
    const { scroller, fixed } = itemAt(out.elements, element);
    const selector = out.scrollers[scroller]?.selector;
    const isHeld = !fixed && selector && isStill(out, scroller, 'block') && canBeClipped(out, scroller);
    if (!isHeld || clipped.includes(selector)) return { layout: out, clipped };
    clipped.push(selector);
    out = withClipped(out, scroller);
  }
}
