import { between } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { revealRange } from './reveal-range.ts';

export const sharpen: EffectDefinition = {
  id: 'sharpen',
  name: 'Sharpen',
  what: 'Comes into focus out of a blur.',
  build: (e, layout) => ({
    keyframes: { opacity: between('0', '1'), filter: between('blur(10px)', 'blur(0px)') },
    range: revealRange(e, layout),
  }),
};
