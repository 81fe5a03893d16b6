/**
 * Layouts at every size of the grid, from measured ones at a few. A patch of the grid between four measured sizes counts as even when the
 * layout in its middle, measured too, is about where the corners say it is. Else it is split: by widths first, since pages break by width, down
 * to single columns, and these by height.
 */
import { itemAt } from '../assert/index.ts';
import type { Layout, Px, Viewport } from '../page/index.ts';
import { apartBy, layoutBetween, sameStructure } from './mix.ts';
import { ALWAYS, sizeKey, SWEEP_HEIGHTS, SWEEP_WIDTHS, ZOOMED } from './sizes.ts';

/** The middle of a patch may be off by this much, px: two thirds of a line of text. Chosen by us. */
export const EVEN = 16;

/** Places in SWEEP_WIDTHS and SWEEP_HEIGHTS, both ends included; a column begins and ends at the same width. */
interface Patch {
  x: [number, number];
  y: [number, number];
}
type How = { kind: 'measured' } | { kind: 'between'; off: Px };
export type LayoutThere = How & { layout: Layout };

const spans = (all: readonly Px[], at: readonly Px[]): [number, number][] =>
  at.slice(1).map((to, i) => [all.indexOf(itemAt(at, i)), all.indexOf(to)]);
const FIRST: readonly Patch[] = spans(SWEEP_WIDTHS, ALWAYS.widths).flatMap((x) =>
  spans(SWEEP_HEIGHTS, ALWAYS.heights).map((y) => ({ x, y })),
);
const middle = ([from, to]: [number, number]) => (from + to) >> 1;
const at = (x: number, y: number): Viewport => ({
  width: itemAt(SWEEP_WIDTHS, x),
  height: itemAt(SWEEP_HEIGHTS, y),
});
const corners = ({ x, y }: Patch): Viewport[] => x.flatMap((i) => y.map((j) => at(i, j)));
const centre = ({ x, y }: Patch): Viewport => at(middle(x), middle(y));
const toKey = (p: Patch) => `${p.x} ${p.y}`;
const holds = ({ x, y }: Patch, i: number, j: number) => i >= x[0] && i <= x[1] && j >= y[0] && j <= y[1];
/** Between two widths that are next to each other there is nothing to be even. */
const isGap = ({ x }: Patch) => x[1] - x[0] === 1;

function split({ x, y }: Patch): Patch[] {
  const [i, j] = [middle(x), middle(y)];
  if (isGap({ x, y })) return x.map((k) => ({ x: [k, k], y }));
  if (x[0] < x[1]) return [{ x: [x[0], i], y }, { x: [i, x[1]], y }]; // prettier-ignore
  return y[1] - y[0] > 1 ? [{ x, y: [y[0], j] }, { x, y: [j, y[1]] }] : []; // prettier-ignore
}

export class LayoutField {
  private readonly measured = new Map<string, Layout>();
  /** px that the middle of a patch was off by */
  private readonly judged = new Map<string, Px>();
  private readonly tolerance: Px;

  constructor(layouts: Iterable<Layout> = [], tolerance: Px = EVEN) {
    this.tolerance = tolerance;
    for (const l of layouts) this.put(l);
  }

  put(layout: Layout): void {
    this.measured.set(sizeKey(layout.viewport), layout);
  }

  get layouts(): Layout[] {
    return [...this.measured.values()];
  }

  private has = (v: Viewport) => this.measured.get(sizeKey(v));

  /** The size to measure next, those that decide most first; null when every size is known. */
  next(): Viewport | null {
    for (const v of [...FIRST.flatMap(corners), ...ZOOMED.map((s) => s.viewport)]) if (!this.has(v)) return v;
    const waiting = [...FIRST];
    for (let p = waiting.shift(); p; p = waiting.shift()) {
      const missing = corners(p).find((v) => !this.has(v));
      if (missing) return missing;
      if (this.isEven(p)) continue;
      if (!isGap(p) && !this.has(centre(p))) return centre(p);
      waiting.push(...split(p));
    }
    return null;
  }

  /** Share of the sizes that are known. */
  get done(): number {
    let known = 0;
    for (const width of SWEEP_WIDTHS)
      for (const height of SWEEP_HEIGHTS) known += Number(this.howAt({ width, height }) !== null);
    return known / (SWEEP_WIDTHS.length * SWEEP_HEIGHTS.length);
  }

  /** How far the middle was off; infinite where that has not been measured, or is too far. */
  private computeOff(p: Patch): Px {
    const truth = isGap(p) ? undefined : this.has(centre(p));
    if (!truth) return Infinity;
    const known = this.judged.get(toKey(p));
    if (known !== undefined) return known;
    const guess = this.within(p, centre(p));
    const off = guess ? apartBy(guess, truth) : Infinity;
    this.judged.set(toKey(p), off);
    return off;
  }

  private isEven = (p: Patch) => this.computeOff(p) <= this.tolerance;

  /** From the four corners; null where they have other elements. */
  private within({ x, y }: Patch, v: Viewport): Layout | null {
    const [a, b, c, d] = corners({ x, y }).map((k) => this.has(k));
    if (!a || !b || !c || !d || [b, c, d].some((l) => !sameStructure(a, l))) return null;
    const [left, top] = [itemAt(SWEEP_WIDTHS, x[0]), itemAt(SWEEP_HEIGHTS, y[0])];
    const [wide, high] = [itemAt(SWEEP_WIDTHS, x[1]) - left, itemAt(SWEEP_HEIGHTS, y[1]) - top];
    const across = wide ? (v.width - left) / wide : 0;
    const down = high ? (v.height - top) / high : 0;
    return layoutBetween(layoutBetween(a, c, across, v), layoutBetween(b, d, across, v), down, v);
  }

  private evenPatchAt(v: Viewport): Patch | null {
    const [i, j] = [SWEEP_WIDTHS.indexOf(v.width), SWEEP_HEIGHTS.indexOf(v.height)];
    const waiting = FIRST.filter((p) => holds(p, i, j));
    for (let p = waiting.shift(); p; p = waiting.shift()) {
      if (this.isEven(p)) return p;
      waiting.push(...split(p).filter((q) => holds(q, i, j)));
    }
    return null;
  }

  /** What is known of a size: measured, between, or nothing yet. */
  howAt(v: Viewport): How | null {
    if (this.has(v)) return { kind: 'measured' };
    const even = this.evenPatchAt(v);
    return even && { kind: 'between', off: this.computeOff(even) };
  }

  layoutAt(v: Viewport): LayoutThere | null {
    const own = this.has(v);
    if (own) return { kind: 'measured', layout: own };
    const even = this.evenPatchAt(v);
    const layout = even && this.within(even, v);
    return layout && { kind: 'between', off: this.computeOff(even), layout };
  }
}
