/** Where a motion happens on a scroll axis, and how far it is there. */
import { itemAt } from '../assert/index.ts';
import type { Axis, Geometry, Layout, Px, Scroller } from '../page/index.ts';
import { isNamedPlace, resolvePoint } from './range-point.ts';
import type { Span } from './phases.ts';

/** Where a motion happens for one target: the scroller and axis that it listens to, and its range there in px. */
export interface Placed extends Span {
  scroller: number;
  axis: Axis;
  /** the subject of a view progress; null for other drivers */
  geometry: Geometry | null;
  /** the driver’s own extent, which shares refer to; a view progress’s is its cover range */
  whole: Span;
}

export type Unplaced = { reason: string };

/** How far a scroller can be scrolled along an axis, px. */
export const computeExtent = (scroller: Scroller, axis: Axis): Px =>
  axis === 'block' ? scroller.max.block : scroller.max.inline;

/** The nearest of some elements that is the target itself or holds it. */
export function around(target: number, matched: readonly number[], layout: Layout): number | undefined {
  for (let e = target; e >= 0; e = layout.elements[e]?.parent ?? -1) if (matched.includes(e)) return e;
  return undefined;
}

/**
 * Progress at which a keyframe stands. A share of the range is that share; a place at a range name stays where it is on the
 * scroller, so it may lie before 0 or after 1.
 */
export function findPlace(at: string, placed: Placed): number {
  if (!isNamedPlace(at)) return Number.parseFloat(at) / 100;
  if (!placed.geometry || placed.end <= placed.start) return 0;
  return (resolvePoint(at, placed.geometry, 'start') - placed.start) / (placed.end - placed.start);
}

/** Progress at a scroll offset: 0 before, 1 after; an empty or reversed range jumps at its start. */
export function progressAt(offset: Px, span: Span): number {
  if (offset < span.start) return 0;
  if (span.end <= span.start || offset >= span.end) return 1;
  return (offset - span.start) / (span.end - span.start);
}

/** All that can be scrolled where a motion was placed, px. */
export const maxScroll = (layout: Layout, placed: Pick<Placed, 'scroller' | 'axis'>): Px =>
  computeExtent(itemAt(layout.scrollers, placed.scroller), placed.axis);
