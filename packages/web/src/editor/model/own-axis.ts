/**
 * What is scrolled inside of the page is drawn on a small axis of its own: over the stretch of the page’s scroll where its scroller is in sight,
 * from nothing to all that can be scrolled there.
 */
import { elementName, itemAt } from '@lyvek/core';
import type { Axis, Layout, Px } from '@lyvek/core';
import type { View } from '../strip/view.ts';

export interface OwnAxis {
  scroller: number;
  axis: Axis;
  /** of the scroller, as people see it */
  name: string;
  /** the stretch of the page’s scroll that it is drawn over */
  from: Px;
  to: Px;
  /** all that can be scrolled there */
  max: Px;
}

type Where = Pick<OwnAxis, 'scroller' | 'axis'>;

/** A stretch is at least so long, so that what stands on it can be told apart. */
const SHORTEST: Px = 200;

/** The element that scrolls on the page itself: the scroller, or the outermost one around it. */
function findOutermost(scroller: number, layout: Layout) {
  const find = (k: number) =>
    layout.elements.find((e) => e.selector === itemAt(layout.scrollers, k).selector);
  let element = find(scroller);
  for (let k = 0; element && element.scroller !== 0 && k < layout.scrollers.length; k++)
    element = find(element.scroller);
  return element;
}

/** The axis of what is not scrolled with the page down its length; null for all that is. */
export function findOwnAxis({ scroller, axis }: Where, layout: Layout): OwnAxis | null {
  if (scroller === 0 && axis === 'block') return null;
  const page = itemAt(layout.scrollers, 0);
  const { selector, max } = itemAt(layout.scrollers, scroller);
  const own = selector === null ? undefined : layout.elements.find((e) => e.selector === selector);
  const outer = findOutermost(scroller, layout);
  const isPart = outer && !outer.fixed && scroller !== 0;
  const from = isPart ? Math.max(0, outer.box.y - page.port.height) : 0;
  const to = isPart ? Math.min(page.max.block, outer.box.y + outer.box.height) : page.max.block;
  return {
    scroller,
    axis,
    name: own ? elementName(own, layout) : (selector ?? 'page'),
    from,
    to: Math.max(to, from + SHORTEST),
    max: Math.max(1, axis === 'block' ? max.block : max.inline),
  };
}

/** The offset of the page over which an offset of its own is drawn. */
export const toPageOffset = (own: OwnAxis, offset: Px): Px =>
  own.from + (offset / own.max) * (own.to - own.from);

/** The scale to draw it at, in rows of the same lanes: the view itself for what scrolls with the page. */
export function viewAlong(where: Where, layout: Layout, view: View): View {
  const own = findOwnAxis(where, layout);
  if (!own) return view;
  const factor = own.max / (own.to - own.from);
  return { per: view.per * factor, top: (view.top - own.from) * factor };
}

/** The same place in offsets of the page. */
export function asOnPage<T extends Where & { start: Px; end: Px }>(placed: T, layout: Layout): T {
  const own = findOwnAxis(placed, layout);
  return own
    ? { ...placed, start: toPageOffset(own, placed.start), end: toPageOffset(own, placed.end) }
    : placed;
}
