/** The span of a pin: a bracket, and bars with corners within it. */
import { Sign } from '../../../ui/glyphs.tsx';
import { capsuleBar } from '../Capsule.tsx';
import type { DriverDrawing } from '../kind.ts';

export const drawing: DriverDrawing = {
  Sign: (p) => (
    <Sign w={9} h={14} {...p}>
      <path d="M8 1H1.5v12H8" stroke="var(--pin)" strokeWidth="2" fill="none" />
    </Sign>
  ),
  bar: capsuleBar(1.5, 'url(#eased-pin)'),
};
