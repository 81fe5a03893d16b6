/** Distances between what a browser shows and what was predicted. */
import { itemAt, lastItem, present } from '../assert/index.ts';
import { howItMixes, readFacts, transformMatrix } from '../value/index.ts';
import type { ValueContext } from '../value/index.ts';

/** How far sixteen numbers lie outside the span of the predicted ones; lengths and factors alike. */
export function matrixDistance(shown: readonly number[], predicted: readonly (readonly number[])[]): number {
  return Math.max(
    ...shown.map((n, i) => {
      const span = predicted.map((p) => itemAt(p, i));
      return Math.max(0, Math.min(...span) - n, n - Math.max(...span));
    }),
  );
}

/** px by which a transform moves the corner of an element away from where any of the predicted ones has it. */
export function transformDistance(
  shown: string,
  predicted: readonly string[],
  context: ValueContext,
  reach: number,
): number {
  const [mine, ...theirs] = [shown, ...predicted].map((css) => transformMatrix(css, context));
  if (!mine || theirs.some((m) => m === null)) return Infinity;
  // Only the last row of cells is lengths; the others are factors of the distance from the origin.
  const inPx = (m: readonly number[]) => m.map((n, i) => (i >= 12 && i < 15 ? n : n * reach));
  return matrixDistance(
    inPx(mine),
    theirs.map((m) => inPx(present(m))),
  );
}

/**
 * How far a shown value lies outside what was predicted for the scroll offsets around it; infinite where one cannot be read.
 * A steep stretch may change much within the error of scroll, so each number is held against the span of the predictions.
 */
export function distance(
  property: string,
  shown: string,
  predicted: readonly string[],
  context: ValueContext,
): number {
  if (predicted.includes(shown)) return 0;
  if (property === 'rotate' && predicted.length === 1) return rotation(shown, itemAt(predicted, 0));
  if (property === 'rotate')
    return Math.min(...predicted.slice(1).map((p, i) => detour(shown, itemAt(predicted, i), p)));
  const type = readFacts(property, [...predicted, shown])?.type ?? howItMixes(property).type;
  if (!type) return Infinity;
  const clean = (css: string) => (property === 'letter-spacing' && css === 'normal' ? '0px' : css);
  const pairs = predicted.flatMap((p) => type.pair(clean(shown), clean(p), context) ?? []);
  if (pairs.length === 0) return Infinity;
  return Math.max(
    ...itemAt(pairs, 0).from.map((n, i) => {
      const span = pairs.map((p) => itemAt(p.to, i));
      return Math.max(0, Math.min(...span) - n, n - Math.max(...span));
    }),
  );
}

/** Degrees by which the way over a pose is longer than the way from a to b: 0 where it lies between them. */
const detour = (pose: string, a: string, b: string): number =>
  Math.max(0, (rotation(pose, a) + rotation(pose, b) - rotation(a, b)) / 2);

/** Degrees between two orientations. */
function rotation(a: string, b: string): number {
  const qa = quaternion(a);
  const qb = quaternion(b);
  const dot = Math.abs(qa.reduce((sum, v, i) => sum + v * itemAt(qb, i), 0));
  return (2 * Math.acos(Math.min(1, dot)) * 180) / Math.PI;
}

function quaternion(css: string): number[] {
  const named: Record<string, number[]> = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };
  if (css === 'none') return [0, 0, 0, 1];
  const parts = css.split(' ');
  const half = (parseFloat(lastItem(parts)) * Math.PI) / 360;
  const axis =
    parts.length === 1
      ? present(named.z)
      : parts.length === 2
        ? present(named[itemAt(parts, 0)])
        : parts.slice(0, 3).map(Number);
  const size = Math.hypot(...axis) || 1;
  return [...axis.map((v) => (v / size) * Math.sin(half)), Math.cos(half)];
}

/** Types whose percentages are of something that the browser alone knows, such as the width of what is around. */
const SHARES = new Set([
  ...['length', 'size', 'position', 'origin', 'background size', 'length or percentage', 'parts'],
  ...['radius', 'corner radius', 'corner radii', '2 sides', '4 sides'],
]);

/** A percentage was predicted and px are shown: they prove nothing of each other. */
export const isLeftToLayout = (property: string, shown: string, predicted: string): boolean =>
  predicted.includes('%') &&
  !shown.includes('%') &&
  SHARES.has((readFacts(property, [predicted])?.type ?? howItMixes(property).type)?.name ?? '');
