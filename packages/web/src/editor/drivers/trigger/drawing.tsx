/** A trigger: a flag that hangs from a line. */
import { Sign } from '../../../ui/glyphs.tsx';
import { capsuleBar, ROUND } from '../Capsule.tsx';
import type { DriverDrawing } from '../kind.ts';

export const drawing: DriverDrawing = {
  Sign: (p) => (
    <Sign w={15} h={14} {...p}>
      <path d="M0 2.5h15" stroke="var(--trigger)" strokeWidth="1.4" />
      <path d="M4 2.5h10l-3 4 3 4H4z" fill="var(--trigger)" fillOpacity="0.28" stroke="var(--trigger)" />
    </Sign>
  ),
  bar: capsuleBar(ROUND, 'url(#eased)'),
};
