import { itemAt, lastItem } from '../../assert/index.ts';
import type { EasingDefinition } from '../easing-definition.ts';

/** `linear`, and `linear()` with stops (CSS Easing 2, §2.2). */
export const linear: EasingDefinition = {
  name: 'linear',
  keywords: { linear: () => (t) => t },
  parse(args) {
    const points = args && pointsFrom(args);
    return points && pieces(points);
  },
};

function pointsFrom(args: readonly string[]): [number, number][] | null {
  if (args.length < 1) return null;
  const keyframes = args.map(readKeyframe);
  return keyframes.some((s) => s === null) ? null : spread(keyframes as Stop[]);
}

/** Progress and value of every stop of a `linear()`; null for anything else. */
export function listPoints(css: string): [number, number][] | null {
  const found = /^linear\((.*)\)$/s.exec(css.trim().toLowerCase());
  return (
    found &&
    pointsFrom(
      itemAt(found, 1)
        .split(',')
        .map((a) => a.trim()),
    )
  );
}

interface Stop {
  value: number;
  at: number[];
}

function readKeyframe(text: string): Stop | null {
  const parts = text.trim().split(/\s+/);
  const values = parts.filter((p) => !p.endsWith('%')).map(Number);
  const at = parts.filter((p) => p.endsWith('%')).map((p) => Number(p.slice(0, -1)) / 100);
  if (values.length !== 1 || at.length > 2 || [...values, ...at].some((n) => !Number.isFinite(n)))
    return null;
  return { value: itemAt(values, 0), at };
}

/** Fills missing positions evenly and keeps positions from running backwards, as the standard's algorithm says. */
function spread(keyframes: Stop[]): [number, number][] {
  type Point = [at: number | null, value: number];
  const points = keyframes.flatMap((s): Point[] =>
    s.at.length ? s.at.map((a): Point => [a, s.value]) : [[null, s.value]],
  );
  itemAt(points, 0)[0] ??= 0;
  lastItem(points)[0] ??= 1;
  let largest = -Infinity;
  for (const p of points) if (p[0] !== null) largest = p[0] = Math.max(largest, p[0]);
  for (let i = 0; i < points.length; i++) {
    if (itemAt(points, i)[0] !== null) continue;
    const next = points.findIndex((p, j) => j > i && p[0] !== null);
    const from = itemAt(itemAt(points, i - 1), 0);
    const step = (itemAt(itemAt(points, next), 0) - from) / (next - i + 1);
    for (let j = i; j < next; j++) itemAt(points, j)[0] = from + step * (j - i + 1);
  }
  return points as [number, number][];
}

function pieces(points: [number, number][]): (t: number) => number {
  if (points.length === 1) return () => itemAt(points, 0)[1];
  return (t) => {
    let i = points.findLastIndex(([x]) => x <= t);
    if (i < 0) i = 0;
    if (i === points.length - 1) i--;
    const [x0, y0] = itemAt(points, i);
    const [x1, y1] = itemAt(points, i + 1);
    if (x0 === x1) return t < x0 ? y0 : y1;
    return y0 + ((y1 - y0) * (t - x0)) / (x1 - x0);
  };
}
