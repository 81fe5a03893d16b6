import { between } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { revealRange } from './reveal-range.ts';

export const fade: EffectDefinition = {
  id: 'fade',
  name: 'Fade',
  what: 'Appears where it stands.',
  build: (e, layout) => ({ keyframes: { opacity: between('0', '1') }, range: revealRange(e, layout) }),
};
