/** Motions of both sides, paired, and their curves over the scroll. */
import { progressAt } from '@lyvek/core';
import type { Differences, Layout, Motion, MotionDocument, Px } from '@lyvek/core';
import { findBar, isPlaced } from '../../../editor/model/bars.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import { computeCurves, numberAt } from '../../../editor/model/curves.ts';
import type { Curve } from '../../../editor/model/curves.ts';

export interface MotionPair {
  id: string;
  name: string;
  a: Motion | null;
  b: Motion | null;
  differs: boolean;
}

/** As they are seen in `a` and `b`; those that differ come first. Without differences only the right side has motions. */
export function motionPairs(
  a: MotionDocument | null,
  b: MotionDocument,
  differences: Differences | null,
): MotionPair[] {
  const inA = new Map((differences && a ? a.motions : []).map((m) => [m.id, m]));
  const inB = new Map(b.motions.map((m) => [m.id, m]));
  const differing = (differences?.differing ?? []).flatMap((d): MotionPair[] => {
    if (d.list !== 'motions') return [];
    const [x, y] = [d.a && (inA.get(d.a.id) ?? null), d.b && (inB.get(d.b.id) ?? null)];
    const name = (y ?? x)?.name;
    return name === undefined ? [] : [{ id: d.id, name, a: x, b: y, differs: true }];
  });
  const known = new Set(differing.map((p) => p.id));
  return [
    ...differing,
    ...b.motions.flatMap((m): MotionPair[] =>
      known.has(m.id) ? [] : [{ id: m.id, name: m.name, a: inA.get(m.id) ?? null, b: m, differs: false }],
    ),
  ];
}

/** A motion’s curve where the page scrolls; null for what plays in time, cannot be placed, or does not have the property. */
export interface Drawn {
  bar: Bar;
  curve: Curve;
}

export function computeDrawn(motion: Motion | null, layout: Layout | null, property: string): Drawn | null {
  if (!motion || !layout || motion.time) return null;
  const bar = findBar(motion, layout);
  if (!isPlaced(bar) || bar.placed.scroller !== 0) return null;
  const curve = computeCurves(motion, bar.element, layout).find((c) => c.property === property);
  return curve ? { bar, curve } : null;
}

export const drawnAtOffset = ({ bar, curve }: Drawn, y: Px): number =>
  numberAt(curve, progressAt(y, bar.placed));

/** Properties of either side: those with other keyframes first, and of these what both have. */
export function listProperties({ a, b }: MotionPair): string[] {
  const all = [...new Set([...Object.keys(b?.keyframes ?? {}), ...Object.keys(a?.keyframes ?? {})])];
  const weight = (p: string) => {
    const [x, y] = [a?.keyframes[p], b?.keyframes[p]];
    return (JSON.stringify(x) === JSON.stringify(y) ? 0 : 2) + (x && y ? 1 : 0);
  };
  return all.sort((p, q) => weight(q) - weight(p));
}
