/** The pointer: a ring on two crossing lines. It has no range of the scroll, so only where its element is seen is marked, by dots. */
import { Sign } from '../../../ui/glyphs.tsx';
import type { DriverDrawing } from '../kind.ts';

/** px between two dots */
const DOTS = 7;

export const drawing: DriverDrawing = {
  Sign: (p) => (
    <Sign w={11} h={14} {...p}>
      <circle cx="5.5" cy="7" r="2.6" stroke="var(--pointer)" strokeWidth="1.4" fill="none" />
      <path d="M0 7h2M9 7h2M5.5 1.5v2M5.5 10.5v2" stroke="var(--pointer)" strokeWidth="1.4" fill="none" />
    </Sign>
  ),
  bar: {
    draw: ({ x, y0, y1 }) => (
      <>
        <path className="bar-shape bar-dots" d={`M${x} ${y0}V${y1}`} strokeDasharray={`0.1 ${DOTS}`} />
        <circle className="bar-ring" cx={x} cy={(y0 + y1) / 2} r="4" />
      </>
    ),
    label: 13,
    hasRange: false,
    holds: false,
  },
};
