import { itemAt } from '../assert/index.ts';
import { between, listChildren, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { revealRange } from './reveal-range.ts';

export const rings: EffectDefinition = {
  id: 'rings',
  name: 'Rings',
  needsElement: true,
  what: 'The view opens in depth; parts come forward.',
  words: '3d perspective tunnel',
  group: 'many',
  driver: 'view',
  lifts: true,
  unfit: (c) =>
    listChildren(c.layout, c.element).length < 2
      ? 'Choose the container of the rings: it has fewer than two parts.'
      : null,
  compose(c) {
    const e = factsAt(c);
    const range = revealRange(e, c.layout);
    const driver = {
      kind: 'view' as const,
      subject: e.selector,
      axis: 'block' as const,
      insets: ['0px', '0px'] as [string, string],
    };
    const parts = listChildren(c.layout, c.element).slice(0, 30);
    return fragment({
      motions: [
        motionOn(c, e.selector, `${nameAt(c)} opens`, {
          range,
          keyframes: { perspective: between('2400px', '700px') },
          reducedMotion: 'drop',
        }),
        ...parts.map((part, i) =>
          motionOn(c, itemAt(c.layout.elements, part).selector, `${nameAt(c, part)} comes forward`, {
            driver,
            range,
            keyframes: {
              transform: between(
                `translateZ(${-160 * (i + 1)}px) rotateX(${18 + 8 * i}deg)`,
                'translateZ(0px) rotateX(0deg)',
              ),
            },
            reducedMotion: 'drop',
          }),
        ),
      ],
    });
  },
};
