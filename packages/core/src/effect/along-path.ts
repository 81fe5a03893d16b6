import { adjust, between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { revealPlace } from './reveal-range.ts';

/** How far away it begins, px. */
const [ACROSS, DOWN] = [260, 140];

/**
 * A curve that ends where the element stands, level. CSS counts its points from the element’s own corner and lays the element’s middle on them, so
 * the whole distance is the place that the page gives it: that is where it is without the motion.
 */
export const alongPath: EffectDefinition = {
  id: 'along-path',
  name: 'Along a path',
  needsElement: true,
  what: 'Flies in on a curve that you draw.',
  words: 'offset motion path curve bezier arc route svg',
  group: 'draw',
  driver: 'view',
  compose(c) {
    const e = factsAt(c);
    const [x, y] = [Math.round(e.box.width / 2), Math.round(e.box.height / 2)];
    // Leaving the page at its left never widens it.
    const from = [x - ACROSS, y + DOWN];
    const curve = `path("M ${from.join(' ')} C ${x - ACROSS} ${y - DOWN / 2} ${x - ACROSS / 2} ${y} ${x} ${y}")`;
    const motion = motionOn(c, e.selector, `${nameAt(c)} flies in`, {
      ...revealPlace(e, c.layout),
      keyframes: { 'offset-distance': between('0%', '100%') },
      reducedMotion: 'drop',
    });
    const declarations = {
      'offset-path': curve,
      'offset-distance': '100%',
      // Text stays level.
      'offset-rotate': e.kind === 'text' ? '0deg' : 'auto',
    };
    return fragment({ motions: [motion], adjustments: [adjust(c, e.selector, declarations, [motion])] });
  },
};
