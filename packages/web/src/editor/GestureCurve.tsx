import { runGesture, itemAt } from '@lyvek/core';
import type { Gesture } from '@lyvek/core';

/** Speed of the hand over its first second, or until it has begun anew. */
export function GestureCurve({
  gesture,
  width = 52,
  height = 14,
}: {
  gesture: Gesture;
  width?: number;
  height?: number;
}) {
  const { offsets } = runGesture(gesture, 0, Math.max(2200, Math.ceil(1.5 * gesture.period)), 60);
  const again = offsets.findIndex((y) => y > 1.02 * gesture.period);
  const shown = Math.min(offsets.length - 1, Math.max(60, again + 4));
  const speeds = Array.from({ length: shown }, (_, i) =>
    Math.abs(itemAt(offsets, i + 1) - itemAt(offsets, i)),
  );
  const most = Math.max(1, ...speeds);
  return (
    <svg width={width} height={height} aria-hidden="true" className="curve">
      <path
        d={speeds
          .map(
            (v, i) =>
              `${i ? 'L' : 'M'}${((i / (shown - 1)) * (width - 1)).toFixed(1)} ${(height - 1 - (v / most) * (height - 3)).toFixed(1)}`,
          )
          .join('')}
      />
    </svg>
  );
}
