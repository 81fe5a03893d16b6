/** Gradients that move by their stops: numbers that a motion writes, and that the gradient counts with. Without the motion all of it is seen. */
import { adjust, between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectContext, EffectDefinition, Fragment } from './effect-definition.ts';
import { revealPlace } from './reveal-range.ts';

function compose(
  c: EffectContext,
  property: string,
  name: string,
  declarations: Record<string, string>,
): Fragment {
  const e = factsAt(c);
  const motion = motionOn(c, e.selector, `${nameAt(c)} ${name}`, {
    ...revealPlace(e, c.layout),
    keyframes: { [property]: between('100%', '0%') },
    reducedMotion: 'drop',
  });
  return fragment({ motions: [motion], adjustments: [adjust(c, e.selector, declarations, [motion])] });
}

export const iris: EffectDefinition = {
  id: 'iris',
  name: 'Iris',
  what: 'A soft circle opens from its middle.',
  words: 'mask radial gradient circle spotlight reveal',
  group: 'reveal',
  driver: 'view',
  compose: (c) =>
    compose(c, '--lv-closed', 'opens', {
      'mask-image':
        'radial-gradient(circle farthest-corner, #000 calc(100% - 1.12 * var(--lv-closed)), transparent calc(112% - 1.12 * var(--lv-closed)))',
    }),
};

export const highlight: EffectDefinition = {
  id: 'highlight',
  name: 'Highlight',
  what: 'A marker runs along behind the text.',
  words: 'background gradient marker underline mark colour',
  group: 'draw',
  driver: 'view',
  unfit: (c) =>
    factsAt(c).kind === 'image' ? 'A picture would hide the marker behind it: choose a text.' : null,
  compose: (c) =>
    compose(c, '--lv-rest', 'is highlighted', {
      'background-image':
        'linear-gradient(to right, color-mix(in srgb, currentcolor 22%, transparent) calc(100% - var(--lv-rest)), transparent 0)',
    }),
};
