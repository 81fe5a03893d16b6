import { between } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { revealRange } from './reveal-range.ts';

export const rise: EffectDefinition = {
  id: 'rise',
  name: 'Rise',
  what: 'Comes up into its place.',
  build: (e, layout) => ({
    keyframes: { opacity: between('0', '1'), translate: between('0 72px', '0 0') },
    range: revealRange(e, layout),
  }),
};
