/** Names of the custom properties that number the targets of staggers. */
import { present } from '../../assert/index.ts';
import type { MotionDocument } from '../../motion/index.ts';
import { findMatches } from '../../page/index.ts';
import type { Layout } from '../../page/index.ts';
import { pageSteps, staggerSteps } from '../../timeline/index.ts';
import { withPrefix } from '../selectors/names.ts';

/** What says how many steps later an element is. */
export interface Counter {
  /** the custom property that rules of the hand-off set; null: the page says it by itself */
  property: string | null;
  /** the number, as CSS */
  css: string;
}

/** What is numbered under one name: how many steps each element is later. */
type Numbered = Map<number, number>;

/**
 * By motion. All staggers share one name, `--lv-step`; one that numbers an element otherwise, or stands inside of what another numbers and
 * would inherit from there, has a name of its own. Orders that the page numbers by itself need none.
 */
export function stepCounters(
  { motions }: MotionDocument,
  layout: Layout,
  names: ReadonlyMap<string, string>,
  prefix: string,
): Map<string, Counter> {
  const counters = new Map<string, Counter>();
  const shared: Numbered = new Map();
  for (const { id, stagger, targets } of motions) {
    if (!stagger) continue;
    const css = pageSteps(stagger);
    if (css !== null) {
      counters.set(id, { property: null, css });
      continue;
    }
    const list = findMatches(layout, targets.selector);
    const steps = staggerSteps(stagger, list, layout);
    const own: Numbered = new Map(list.map((element, i) => [element, steps[i] ?? 0]));
    const fits = agrees(own, shared) && !inherits(own, shared, layout) && !inherits(shared, own, layout);
    const property = fits ? `--${withPrefix(prefix, 'step')}` : `--${present(names.get(id))}-step`;
    counters.set(id, { property, css: `var(${property}, 0)` });
    if (fits) for (const [element, step] of own) shared.set(element, step);
  }
  return counters;
}

const agrees = (own: Numbered, others: Numbered): boolean =>
  [...own].every(([element, step]) => (others.get(element) ?? step) === step);

/** Whether some of these elements stand inside of those. */
const inherits = (inner: Numbered, outer: Numbered, { elements }: Layout): boolean =>
  [...inner.keys()].some((element) => {
    for (let up = elements[element]?.parent ?? -1; up >= 0; up = elements[up]?.parent ?? -1)
      if (outer.has(up)) return true;
    return false;
  });
