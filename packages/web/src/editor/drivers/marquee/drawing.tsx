/** A strip that moves endlessly: two dashed rails. */
import { Sign } from '../../../ui/glyphs.tsx';
import type { DriverDrawing } from '../kind.ts';

export const drawing: DriverDrawing = {
  Sign: (p) => (
    <Sign w={9} h={14} {...p}>
      <path d="M2 0v14M7 0v14" stroke="var(--marquee)" strokeWidth="1.6" strokeDasharray="3 2" fill="none" />
    </Sign>
  ),
  bar: {
    draw: ({ x, y0, y1 }) => <path className="bar-shape" d={`M${x - 4} ${y0}V${y1}M${x + 4} ${y0}V${y1}`} />,
    label: 13,
    hasRange: false,
    holds: false,
  },
};
