/** Page load: a line that begins at the top of the page. */
import { Sign } from '../../../ui/glyphs.tsx';
import { capsuleBar, ROUND } from '../Capsule.tsx';
import type { DriverDrawing } from '../kind.ts';

export const drawing: DriverDrawing = {
  Sign: (p) => (
    <Sign w={11} h={14} {...p}>
      <path d="M1 1.5h9M5.5 1.5V13M2.5 10l3 3 3-3" stroke="var(--trigger)" strokeWidth="1.3" fill="none" />
    </Sign>
  ),
  bar: capsuleBar(ROUND, 'url(#eased)'),
};
