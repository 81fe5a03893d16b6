/** Whether a layout makes sense beyond its shape: indices lead to something, the tree of elements has no circle. */
import { itemAt } from '../assert/index.ts';
import type { Layout } from './layout.ts';

/** No browser lays out further than this: 2^25 px (its fixed-point unit has 6 bits behind the point of 32). */
export const MAX_PX = 33_554_432;

type Indexed = Pick<Layout, 'elements' | 'sections' | 'scrollers' | 'matches' | 'pins' | 'own'>;

/** The first thing that makes no sense, in a sentence; null for a sound layout. Work grows with the layout, not faster. */
export function senseProblem({ elements, sections, scrollers, matches, pins, own }: Indexed): string | null {
  const count = elements.length;
  for (const [i, e] of elements.entries()) {
    if (e.parent >= count) return `element ${i} lies in element ${e.parent}, which is not there`;
    if (e.section >= sections.length) return `element ${i} is in section ${e.section}, which is not there`;
    if (e.scroller >= scrollers.length)
      return `element ${i} scrolls in scroller ${e.scroller}, which is not there`;
    if (e.box.width < 0 || e.box.height < 0) return `element ${i} has a negative size`;
  }
  // 0: not looked at, 1: on the way up from it, 2: leads to the page.
  const state = new Uint8Array(count);
  for (let i = 0; i < count; i++) {
    const way: number[] = [];
    let at = i;
    while (at >= 0 && state[at] === 0) {
      state[at] = 1;
      way.push(at);
      at = itemAt(elements, at).parent;
    }
    if (at >= 0 && state[at] === 1) return `element ${at} lies in itself`;
    for (const k of way) state[k] = 2;
  }
  for (const [selector, list] of Object.entries(matches))
    if (list.some((i) => i >= count)) return `${selector.slice(0, 60)} matches an element that is not there`;
  if (pins?.some((p) => p.element >= count)) return 'a pin’s element is not there';
  if (own?.some((o) => o.element >= count)) return 'what the page moves by itself is not there';
  return null;
}
