/** Where a box is drawn in the viewport when the page stands at an offset. */
import type { ElementFacts } from './layout.ts';
import type { Px } from './units.ts';

/** px from the viewport’s top to the top of the border box, sticking included; motions not. */
export function drawnAt(e: Pick<ElementFacts, 'box' | 'sticky' | 'fixed'>, y: Px): Px {
  if (e.fixed) return e.box.y;
  const s = e.sticky;
  if (!s) return e.box.y - y;
  const carried = Math.min(s.travel, Math.max(0, s.edge === 'start' ? y - s.at : s.at - y));
  return e.box.y - y + (s.edge === 'start' ? carried : -carried);
}
