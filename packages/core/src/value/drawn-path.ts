/** A line of a drawing as `path()` of another element: the same curve on the page, counted from that element’s corner. */
import { itemAt } from '../assert/index.ts';
import { mapPath } from './shape-points.ts';
import { decimal } from './value-type.ts';

/** What a page tells of a line of a drawing. */
export interface DrawnPath {
  /** path data in the drawing’s own units; empty for other shapes than paths */
  data: string;
  /** a, b, c, d, e, f from these units to px of the page (SVG 2, §8.4) */
  matrix: number[];
  /** places along it, px of the page, evenly spread */
  points: [x: number, y: number][];
}

/**
 * Exact where the drawing has path data without arcs; else a smooth curve through its points. Null where there is nothing to follow. `corner`: of the
 * element that will follow it, px of the page.
 */
export function placeDrawnPath(
  { data, matrix, points }: DrawnPath,
  corner: { x: number; y: number },
): string | null {
  const [a, b, c, d, e, f] = [0, 1, 2, 3, 4, 5].map((i) => itemAt(matrix, i)) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const exact = mapPath(`path("${data}")`, ({ x, y }) => ({
    x: a * x + c * y + e - corner.x,
    y: b * x + d * y + f - corner.y,
  }));
  if (exact !== null) return exact;
  const placed = points.map(([x, y]) => ({ x: x - corner.x, y: y - corner.y }));
  return placed.length < 2 ? null : `path("${curveThrough(placed)}")`;
}

interface Point {
  x: number;
  y: number;
}

/** Cubic curves through points, each with the direction from its neighbour before to the one behind (Catmull and Rom 1974). */
function curveThrough(points: readonly Point[]): string {
  const at = (i: number) => itemAt(points, Math.max(0, Math.min(points.length - 1, i)));
  const write = ({ x, y }: Point) => `${decimal(Number(x.toFixed(2)))} ${decimal(Number(y.toFixed(2)))}`;
  const curves = points.slice(1).map((to, i) => {
    const [before, from, after] = [at(i - 1), at(i), at(i + 2)];
    const first = { x: from.x + (to.x - before.x) / 6, y: from.y + (to.y - before.y) / 6 };
    const second = { x: to.x - (after.x - from.x) / 6, y: to.y - (after.y - from.y) / 6 };
    return `C ${write(first)} ${write(second)} ${write(to)}`;
  });
  return `M ${write(at(0))} ${curves.join(' ')}`;
}
