import { factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';

const POSES = ['-7deg', '6deg', '-5deg', '5deg', '0deg'];

export const sway: EffectDefinition = {
  id: 'sway',
  name: 'Back and forth',
  what: 'Swings from pose to pose as the page scrolls.',
  words: 'alternate swing rotate',
  group: 'depth',
  driver: 'view',
  compose: (c) =>
    fragment({
      motions: [
        motionOn(c, factsAt(c).selector, `${nameAt(c)} sways`, {
          keyframes: {
            rotate: POSES.map((value, i) => ({ at: `${(i / (POSES.length - 1)) * 100}%`, value })),
          },
          reducedMotion: 'drop',
        }),
      ],
    }),
};
