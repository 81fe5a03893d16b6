import { itemAt } from '../assert/index.ts';
import type { Motion } from '../motion/index.ts';
import { adjust, between, listChildren, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectContext, EffectDefinition } from './effect-definition.ts';
import { newPin, unfitStage } from './hold.ts';

/** Share of the viewport that each card takes to arrive, and what of the earlier ones stays in sight. */
const STEP = 70;
const PEEK = 14;

/** One of several alike that holds words only: a card of the pile, not the pile. */
function isCard(c: EffectContext): boolean {
  const self = factsAt(c);
  const alike = listChildren(c.layout, self.parent).filter(
    (i) => itemAt(c.layout.elements, i).tag === self.tag,
  );
  const parts = listChildren(c.layout, c.element).map((i) => itemAt(c.layout.elements, i));
  return alike.length > 1 && parts.filter((p) => p.kind !== 'text').length < 2;
}

export const stack: EffectDefinition = {
  id: 'stack',
  name: 'Stack',
  needsElement: true,
  what: 'Cards slide over each other; earlier ones step back.',
  words: 'cards pin pile overlap',
  group: 'many',
  driver: 'pin',
  lifts: true,
  unfit(c) {
    const cards = listChildren(c.layout, c.element);
    if (cards.length < 2) return 'Choose the container of the cards: it has fewer than two parts.';
    if (isCard(c)) return 'It is one of the cards: choose what holds them.';
    if (cards.length > 20) return 'It has more than twenty parts.';
    return unfitStage(c, c.element);
  },
  compose(c) {
    const cards = listChildren(c.layout, c.element);
    const steps = cards.length - 1;
    const pin = newPin(c, factsAt(c).selector, nameAt(c), { kind: 'length', value: `${steps * STEP}vh` });
    const share = (i: number) => `${Number(((i / steps) * 100).toFixed(3))}%`;
    const on = {
      driver: { kind: 'pin' as const, pin: pin.id },
      fill: 'both' as const,
      reducedMotion: 'drop' as const,
    };
    const motions = cards.flatMap((card, i): Motion[] => {
      const { selector } = itemAt(c.layout.elements, card);
      const name = nameAt(c, card);
      const arrives = motionOn(c, selector, `${name} slides over`, {
        ...on,
        range: { start: share(i - 1), end: share(i) },
        keyframes: { translate: between('0 110vh', `0 ${i * PEEK}px`) },
      });
      const back = steps - i;
      const recedes = motionOn(c, selector, `${name} steps back`, {
        ...on,
        range: { start: share(i), end: '100%' },
        keyframes: {
          scale: between('1', String(Number((1 - back * 0.045).toFixed(3)))),
          opacity: between('1', String(Number(Math.max(0.35, 1 - back * 0.18).toFixed(2)))),
        },
      });
      return [...(i > 0 ? [arrives] : []), ...(back > 0 ? [recedes] : [])];
    });
    return fragment({
      pins: [pin],
      motions,
      adjustments: [
        adjust(c, factsAt(c).selector, { display: 'grid', 'align-items': 'start' }, [pin]),
        ...cards.map((card) =>
          adjust(
            c,
            itemAt(c.layout.elements, card).selector,
            { 'grid-area': '1 / 1', 'transform-origin': '50% 0%' },
            [pin],
          ),
        ),
      ],
    });
  },
};
