import { thrownOrigin } from '../edit/index.ts';
import { adjust, between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { leavePlace } from './reveal-range.ts';

export const leave: EffectDefinition = {
  id: 'leave',
  name: 'Leave',
  what: 'Shrinks away before the edge can take it.',
  words: 'exit scale away origin',
  group: 'leave',
  driver: 'view',
  compose(c) {
    const e = factsAt(c);
    const motion = motionOn(c, e.selector, `${nameAt(c)} leaves`, {
      ...leavePlace(e, c.layout),
      keyframes: { scale: between('1', '0.3'), opacity: between('1', '0') },
    });
    return fragment({
      motions: [motion],
      adjustments: [adjust(c, e.selector, { 'transform-origin': thrownOrigin(e.selector) }, [motion])],
    });
  },
};

export const fadeOut: EffectDefinition = {
  id: 'fade-out',
  name: 'Fade away',
  what: 'Dissolves as it goes.',
  group: 'leave',
  driver: 'view',
  compose(c) {
    const e = factsAt(c);
    return fragment({
      motions: [
        motionOn(c, e.selector, `${nameAt(c)} fades away`, {
          ...leavePlace(e, c.layout),
          keyframes: { opacity: between('1', '0'), translate: between('0 0', '0 -40px') },
        }),
      ],
    });
  },
};
