import { between } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { revealRange } from './reveal-range.ts';

export const turn: EffectDefinition = {
  id: 'turn',
  name: 'Turn in',
  what: 'Straightens up from a slight tilt.',
  build: (e, layout) => ({
    keyframes: {
      opacity: between('0', '1'),
      rotate: between('-5deg', '0deg'),
      translate: between('0 40px', '0 0'),
    },
    range: revealRange(e, layout),
  }),
};
