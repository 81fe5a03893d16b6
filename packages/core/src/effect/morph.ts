import { between, fragment, factsAt, motionOn, nameAt } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { revealPlace } from './reveal-range.ts';

/** Two shapes of equal form mix corner by corner, so both have four corners and four points between them. */
const FROM = [
  [50, 8],
  [74, 26],
  [92, 50],
  [74, 74],
  [50, 92],
  [26, 74],
  [8, 50],
  [26, 26],
];
const TO = [
  [0, 0],
  [50, 0],
  [100, 0],
  [100, 50],
  [100, 100],
  [50, 100],
  [0, 100],
  [0, 50],
];
const polygon = (corners: readonly (readonly number[])[]): string =>
  `polygon(${corners.map(([x, y]) => `${x}% ${y}%`).join(', ')})`;

export const morph: EffectDefinition = {
  id: 'morph',
  name: 'Morph',
  what: 'Opens from one shape into another.',
  words: 'clip path polygon shape',
  group: 'draw',
  driver: 'view',
  compose(c) {
    const e = factsAt(c);
    const motion = motionOn(c, e.selector, `${nameAt(c)} morphs`, {
      ...revealPlace(e, c.layout),
      keyframes: { 'clip-path': between(polygon(FROM), polygon(TO)) },
      reducedMotion: 'drop',
    });
    return fragment({ motions: [motion] });
  },
};
