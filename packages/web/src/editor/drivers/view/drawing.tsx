/** View progress of the element itself or of another one: a capsule. */
import { Sign } from '../../../ui/glyphs.tsx';
import { Capsule, ROUND } from '../Capsule.tsx';
import type { DriverDrawing } from '../kind.ts';

/** Rows from which its middle is marked. */
const MIN_TICKED = 26;

export const drawing: DriverDrawing = {
  Sign: (p) => (
    <Sign w={9} h={14} {...p}>
      <rect
        x="0.75"
        y="0.75"
        width="7.5"
        height="12.5"
        rx="3.75"
        fill="var(--pass)"
        fillOpacity="0.35"
        stroke="var(--pass)"
      />
    </Sign>
  ),
  bar: {
    draw: (place, hold) => (
      <>
        <Capsule {...place} hold={hold} round={ROUND} fill="url(#eased)" />
        {!hold && place.y1 - place.y0 > MIN_TICKED && (
          <path className="bar-ticks" d={`M${place.x - 8} ${(place.y0 + place.y1) / 2}h16`} />
        )}
      </>
    ),
    label: 13,
    hasRange: true,
    holds: true,
  },
};
