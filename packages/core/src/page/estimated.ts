/**
 * What a page has not laid out while it was measured: what `content-visibility` leaves for later, and what a closed `<details>` holds. Where
 * it lies is a guess of the browser’s, and so is the place of everything below it.
 */
import { itemAt } from '../assert/index.ts';
import { splitPart } from './part.ts';
import type { Layout } from './layout.ts';
import type { Px } from './units.ts';

const known = new WeakMap<Layout, Px>();

/** Where such a part begins first, px down the page; infinite where everything was laid out. */
export function estimatedFrom(layout: Layout): Px {
  const from =
    known.get(layout) ??
    Math.min(
      ...layout.elements.flatMap((e) =>
        // A pseudo-element moves nothing that stands below it.
        e.estimated && e.scroller === 0 && !e.fixed && splitPart(e.selector)[1] === '' ? [e.box.y] : [],
      ),
    );
  known.set(layout, from);
  return from;
}

/** Whether the place of an element is a guess. */
export function isEstimated(layout: Layout, element: number): boolean {
  const e = layout.elements[element];
  if (!e) return false;
  for (let at = element; at >= 0; at = itemAt(layout.elements, at).parent)
    if (itemAt(layout.elements, at).estimated) return true;
  return e.scroller === 0 && !e.fixed && e.box.y > estimatedFrom(layout);
}
