import type { Instance } from '../motion/index.ts';
import type { Px } from '../page/index.ts';
import { movePoint } from '../timeline/index.ts';
import type { RangePoint } from '../timeline/index.ts';

/** A range point of the same notation at another offset; the page's two ends are written as such, since they must not be rounded. */
export function findRangePoint(
  offset: Px,
  was: RangePoint,
  instance: Instance,
  max: Px,
  side: 'start' | 'end',
): RangePoint {
  const { geometry, whole } = instance.placed;
  if (geometry && offset === 0) return 'scroll 0%';
  if (geometry && offset === max) return 'scroll 100%';
  return movePoint(offset, { was, side, geometry, whole });
}
