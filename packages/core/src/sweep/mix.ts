/** A layout between two measured ones, and how far one lies from another. */
import { itemAt } from '../assert/index.ts';
import { TEXT_PART } from '../page/index.ts';
import type { ElementFacts, Layout, Px, Viewport } from '../page/index.ts';

/** Of two values of one shape: numbers in between, everything else as the nearer one has it. */
function mix<T>(a: T, b: T, share: number): T {
  if (typeof a === 'number' && typeof b === 'number') return (a + (b - a) * share) as T;
  const near = share < 0.5 ? a : b;
  if (Array.isArray(a) && Array.isArray(b))
    return (a.length === b.length ? a.map((x, i) => mix(x, b[i], share)) : near) as T;
  if (!isRecord(a) || !isRecord(b)) return near;
  return Object.fromEntries(
    Object.entries(near as Record<string, unknown>).map(([k, v]) => [
      k,
      k in a && k in b ? mix(a[k], b[k], share) : v,
    ]),
  ) as T;
}
const isRecord = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null;

/**
 * The layout at `viewport` when boxes grow evenly from `a` (share 0) to `b` (share 1). Only for two of `sameStructure`; what is no number
 * is taken from the nearer one.
 */
export const layoutBetween = (a: Layout, b: Layout, share: number, viewport: Viewport): Layout =>
  a === b
    ? a
    : { ...mix(a, b, share), ...(a.values ? { values: sameValues(a.values, b.values) } : {}), viewport };

/** What the browser reads at both sizes alike; of the others nothing is known in between. */
const sameValues = (a: NonNullable<Layout['values']>, b: Layout['values']): Layout['values'] =>
  a.map((v, i) => {
    const other = b?.[i];
    const isOfIt = other?.selector === v.selector && other.property === v.property && other.value === v.value;
    return {
      ...v,
      computed: v.computed.map((text, k) => (isOfIt && other.computed[k] === text ? text : null)),
    };
  });

const alike = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);
const getKind = ({ selector, parent, scroller, fixed, position, overflow, sticky }: ElementFacts) =>
  `${selector}|${parent}|${scroller}|${fixed}|${position}|${overflow}|${sticky?.edge}`;

/** Whether two layouts have the same elements in the same relations, so that only their measures differ. */
export const sameStructure = (a: Layout, b: Layout): boolean =>
  a.elements.length === b.elements.length &&
  a.scrollers.length === b.scrollers.length &&
  a.elements.every((e, i) => getKind(e) === getKind(itemAt(b.elements, i))) &&
  alike(a.matches, b.matches) &&
  alike(
    a.pins?.map((p) => [p.id, p.element, p.by]),
    b.pins?.map((p) => [p.id, p.element, p.by]),
  );

/** Places count where the page's ends are near, in windows; in its middle only what lies where within what. */
const NEAR_AN_END = 2;
/** Of something longer than this many px this share of it counts as nothing. */
const LONG_SHARE = 0.02;

/**
 * How far the places and sizes that checks look at lie apart, in px: of the document's elements and what stands around them. Infinite
 * when the two have other elements.
 */
export function apartBy(a: Layout, b: Layout): Px {
  if (!sameStructure(a, b)) return Infinity;
  const near = NEAR_AN_END * b.viewport.height;
  let most = 0;
  const count = (x: number, of: number) => {
    most = Math.max(most, Math.abs(x) - LONG_SHARE * Math.abs(of));
  };
  // Checks ask of a pinned section whether it is higher than its window: a few px decide.
  const stages = new Set(b.pins?.map((pin) => pin.element));
  for (const i of concerned(b)) {
    const [was, is] = [itemAt(a.elements, i), itemAt(b.elements, i)];
    const [p, q] = [was.box, is.box];
    count(p.x - q.x, 0);
    count(p.width - q.width, q.width);
    count(p.height - q.height, stages.has(i) ? 0 : q.height);
    const [outer, around] = [a.elements[is.parent]?.box, b.elements[is.parent]?.box];
    if (outer && around) count(p.y - outer.y - (q.y - around.y), q.y - around.y);
    if (q.y < near) count(p.y - q.y, 0);
    const [left, rest] = [a.page.height - p.y, b.page.height - q.y];
    if (rest < near) count(left - rest, 0);
  }
  return most;
}

/** Elements that selectors of the document stand for, and their parents. A word goes to another line at another width; its text counts. */
function concerned(layout: Layout): Set<number> {
  const out = new Set<number>();
  for (const list of Object.values(layout.matches))
    for (const i of list) {
      const { parent, tag } = itemAt(layout.elements, i);
      if (tag !== TEXT_PART) out.add(i);
      if (parent >= 0) out.add(parent);
    }
  return out;
}
