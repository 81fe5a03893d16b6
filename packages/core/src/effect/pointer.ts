import { factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import type { PointerDriver } from '../drivers/index.ts';

/** px either way: seen, and nothing has to be looked for */
const DISTANCE = 24;

/** Drifts with the pointer in both directions, on top of what the scroll does. */
export const pointerDrift: EffectDefinition = {
  id: 'pointer-drift',
  name: 'Pointer drift',
  needsElement: true,
  what: `Moves by up to ${DISTANCE} px with the pointer.`,
  words: 'mouse cursor hover sway parallax depth follow',
  group: 'depth',
  driver: 'pointer',
  compose: (c) =>
    fragment({
      motions: (['x', 'y'] as const).map((axis) => {
        const driver: PointerDriver = { kind: 'pointer', axis, over: 'viewport', rest: 0.5, touch: 'none' };
        const moved = (px: number) => (axis === 'x' ? `${px}px 0px` : `0px ${px}px`);
        return motionOn(
          c,
          factsAt(c).selector,
          `${nameAt(c)} drifts ${axis === 'x' ? 'sideways' : 'up and down'}`,
          {
            driver,
            keyframes: {
              translate: [
                { at: '0%', value: moved(-DISTANCE) },
                { at: '100%', value: moved(DISTANCE) },
              ],
            },
            composite: 'add',
            damping: { kind: 'half-life', halfLife: 120 },
            reducedMotion: 'drop',
          },
        );
      }),
    }),
};
