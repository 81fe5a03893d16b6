/** Elements that several selectors find: what CSS keeps as one list per element has to be written for them once more, together. */
import { itemAt, present } from '../../assert/index.ts';
import { findMatches, splitPart } from '../../page/index.ts';
import type { Layout } from '../../page/index.ts';
import { writtenSelector } from '../selectors/marks.ts';

/** Overlaps depend on nothing but the selectors and the page, which stay the same while ranges are dragged. */
const lastOverlaps = new WeakMap<Layout, Map<string, string[][]>>();
const MAX_KEPT = 12;

/** Sets of two or more selectors that match a common element, smaller sets first. */
export function overlaps(selectors: readonly string[], layout: Layout): string[][] {
  const key = selectors.join('\n');
  const kept = lastOverlaps.get(layout) ?? present(lastOverlaps.set(layout, new Map()).get(layout));
  const known = kept.get(key);
  if (known) return known;
  if (kept.size >= MAX_KEPT) kept.clear();
  const byElement = new Map<number, string[]>();
  for (const s of selectors)
    for (const e of findMatches(layout, s)) {
      const list = byElement.get(e);
      list ? list.push(s) : byElement.set(e, [s]);
    }
  const sets = new Map<string, string[]>();
  for (const set of byElement.values()) if (set.length > 1) sets.set(set.join('\n'), set);
  const found = [...sets.values()].sort((a, b) => a.length - b.length);
  kept.set(key, found);
  return found;
}

/** The elements that all of them find. More specific than each, so it goes on holding when the page changes. */
export function joinSelectors(selectors: readonly string[], layout: Layout): string {
  const split = selectors.map(splitPart);
  // No `:is()` holds a pseudo-element; what several selectors find is the same part of the same host.
  return split.map(([host]) => `:is(${writtenSelector(host, layout)})`).join('') + itemAt(split, 0)[1];
}
