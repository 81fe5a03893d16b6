/**
 * The range name `scroll` (Scroll-driven Animations 2) is younger than the others: a browser without it drops the whole range. The same points
 * by the names that all know: exact where the page lies as it was measured, and written for those browsers alone.
 */
import { computeGeometry, resolveLength } from '../../page/index.ts';
import type { Axis, Layout, Px } from '../../page/index.ts';
import { parsePhasePoint, phaseSpans } from '../../timeline/index.ts';
import { decimal } from '../../value/index.ts';
import { splitRange } from './split-range.ts';

/** Whether a browser knows it. */
export const KNOWS_SCROLL = '@supports (animation-range-start: scroll 0%)';

interface Subject {
  layout: Layout;
  element: number;
  axis: Axis;
  insets: readonly [string, string];
}

/** Null where no point of the range hangs on the page’s ends, or one cannot be said otherwise. */
export function withoutScroll(range: string, { layout, element, axis, insets }: Subject): string | null {
  const points = splitRange(range);
  if (points.length !== 2 || !points.some((p) => p.startsWith('scroll'))) return null;
  const geometry = computeGeometry(layout, element, axis, insets);
  const { scroll, 'entry-crossing': crossing, 'exit-crossing': leaving } = phaseSpans(geometry);
  const written = points.map((point, i) => {
    if (!point.startsWith('scroll')) return point;
    const parsed = parsePhasePoint(point, i === 0 ? 'start' : 'end');
    if (!parsed.ok) return null;
    const { viewport, em, rem } = geometry;
    const at = resolveLength(parsed.value.offset, { percent: scroll.end, viewport, em, rem });
    if (!Number.isFinite(at)) return null;
    // Whichever edge meets its side of the window nearer to that place: what lies between moves less with the page.
    return Math.abs(at - leaving.start) <= Math.abs(at - crossing.end)
      ? `exit-crossing ${px(at - leaving.start)}`
      : `entry-crossing calc(100% ${at < crossing.end ? '-' : '+'} ${px(Math.abs(at - crossing.end))})`;
  });
  return written.every((p) => p !== null) ? written.join(' ') : null;
}

const px = (n: Px): string => `${decimal(n)}px`;
