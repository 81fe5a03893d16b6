import { itemAt } from '../assert/index.ts';
import { computeWidth } from '../page/index.ts';
import { adjust, between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectContext, EffectDefinition } from './effect-definition.ts';
import { newPin, unfitStage } from './hold.ts';

const MIN = 60;

/** The section that is held while the strip moves: the nearest one around it, else its parent. */
function findStage(c: EffectContext): number {
  const { elements } = c.layout;
  for (let i = factsAt(c).parent; i >= 0; i = itemAt(elements, i).parent)
    if (['section', 'article'].includes(itemAt(elements, i).tag)) return i;
  return factsAt(c).parent;
}

export const travel: EffectDefinition = {
  id: 'travel',
  name: 'Horizontal travel',
  needsElement: true,
  what: 'Scrolling down moves a strip sideways.',
  words: 'horizontal scroll strip gallery pin sideways',
  group: 'hold',
  driver: 'pin',
  lifts: true,
  unfit(c) {
    const e = factsAt(c);
    const parent = c.layout.elements[e.parent];
    if (!parent) return 'It has no section around it.';
    if (computeWidth(e) < (parent.content?.width ?? parent.box.width) + MIN)
      return 'It is not wider than its section: there is nowhere to travel.';
    return unfitStage(c, findStage(c));
  },
  compose(c) {
    const e = factsAt(c);
    const stage = itemAt(c.layout.elements, findStage(c));
    const parent = itemAt(c.layout.elements, e.parent);
    const pin = newPin(c, stage.selector, nameAt(c, findStage(c)), {
      kind: 'travel',
      strip: e.selector,
      rate: 1,
    });
    const motion = motionOn(c, e.selector, `${nameAt(c)} travels`, {
      driver: { kind: 'pin', pin: pin.id },
      range: { start: '0%', end: '100%' },
      // 100cqw is the content width of what the strip stands in, so its end edge is right at every width.
      keyframes: { translate: between('0 0', 'calc(-100% + 100cqw) 0') },
      fill: 'both',
      reducedMotion: 'drop',
    });
    return fragment({
      pins: [pin],
      motions: [motion],
      adjustments: [
        adjust(c, stage.selector, { overflow: 'clip' }, [pin]),
        adjust(c, parent.selector, { 'container-type': 'inline-size' }, [motion]),
        // In a window that it fits into it goes nowhere, rather than to the right.
        adjust(
          c,
          e.selector,
          // What has a width of its own keeps it: its parts may be shares of it.
          { ...(e.overflowing === undefined ? {} : { width: 'max-content' }), 'min-width': '100%' },
          [motion],
        ),
      ],
    });
  },
};
