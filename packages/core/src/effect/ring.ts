import { adjust, between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { revealPlace } from './reveal-range.ts';

const PROPERTY = '--lv-ring';
/** Of its radius, from where the ring is drawn to its edge. */
const INNER = '78%';

/** A box becomes a ring of its own colour, as far round as the scroll has come. */
export const ring: EffectDefinition = {
  id: 'ring',
  name: 'Progress ring',
  needsElement: true,
  what: 'A ring closes as far as you have scrolled.',
  words: 'circle gauge dial progress percent readout',
  group: 'draw',
  driver: 'view',
  unfit(c) {
    const { text, box } = factsAt(c);
    if (text !== '') return 'The ring would be drawn over its text: choose an empty box.';
    return box.width < 8 || box.height < 8 ? 'It is too small for a ring.' : null;
  },
  compose(c) {
    const e = factsAt(c);
    const motion = motionOn(c, e.selector, `${nameAt(c)} closes`, {
      // Fixed to the window it is the gauge of the page; it says how far one has read, so readers who ask for reduced motion need it, too.
      ...(e.fixed
        ? {
            driver: { kind: 'scroll' as const, axis: 'block' as const },
            range: { start: '0%', end: '100%' },
            reducedMotion: 'keep' as const,
          }
        : { ...revealPlace(e, c.layout), reducedMotion: 'keep' as const }),
      keyframes: { [PROPERTY]: between('0', '1') },
    });
    return fragment({
      motions: [motion],
      adjustments: [
        adjust(
          c,
          e.selector,
          {
            'border-radius': '50%',
            'background-image': `conic-gradient(currentcolor calc(var(${PROPERTY}) * 100%), color-mix(in srgb, currentcolor 18%, transparent) 0)`,
            mask: `radial-gradient(closest-side, transparent ${INNER}, #000 calc(${INNER} + 1px))`,
          },
          [motion],
        ),
      ],
    });
  },
};
