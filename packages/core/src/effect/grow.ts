import { between } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { revealRange } from './reveal-range.ts';

export const grow: EffectDefinition = {
  id: 'grow',
  name: 'Grow',
  what: 'Reaches its size as it arrives.',
  build: (e, layout) => ({
    keyframes: { opacity: between('0', '1'), scale: between('0.86', '1') },
    range: revealRange(e, layout),
  }),
};
