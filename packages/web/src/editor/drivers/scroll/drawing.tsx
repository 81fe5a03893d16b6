/** The scroll of the page, or of a scroller: a hairline with end ticks. */
import { Sign } from '../../../ui/glyphs.tsx';
import type { DriverDrawing } from '../kind.ts';

export const drawing: DriverDrawing = {
  Sign: (p) => (
    <Sign w={9} h={14} {...p}>
      <path d="M4.5 1v12M1 1h7M1 13h7" stroke="var(--page)" strokeWidth="1.3" fill="none" />
    </Sign>
  ),
  bar: {
    draw: ({ x, y0, y1 }) => (
      <path className="bar-shape" d={`M${x} ${y0}V${y1}M${x - 3} ${y0}h6M${x - 3} ${y1}h6`} />
    ),
    label: 6,
    hasRange: true,
    holds: false,
  },
};
