import type { ElementFacts, Layout } from '../page/index.ts';
import { between } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { revealRange } from './reveal-range.ts';

const DISTANCE = 80;

/** Free room at the element's right: moving further would let the page scroll sideways. */
const roomRight = (e: ElementFacts, layout: Layout) =>
  Math.floor(layout.viewport.width - e.box.x - e.box.width);

export const drop: EffectDefinition = {
  id: 'drop',
  name: 'Come down',
  what: 'Sinks into its place from above.',
  build: (e, layout) => ({
    keyframes: { opacity: between('0', '1'), translate: between('0 -72px', '0 0') },
    range: revealRange(e, layout),
  }),
};

/** Leaving the page at its left never widens it. */
export const slideFromLeft: EffectDefinition = {
  id: 'from-left',
  name: 'From the left',
  what: 'Slides in from the left.',
  build: (e, layout) => ({
    keyframes: { opacity: between('0', '1'), translate: between(`-${DISTANCE}px 0`, '0 0') },
    range: revealRange(e, layout),
  }),
};

export const slideFromRight: EffectDefinition = {
  id: 'from-right',
  name: 'From the right',
  what: 'Slides in from the right.',
  build: (e, layout) => ({
    keyframes: {
      opacity: between('0', '1'),
      translate: between(`${Math.min(DISTANCE, Math.max(0, roomRight(e, layout)))}px 0`, '0 0'),
    },
    range: revealRange(e, layout),
  }),
  unfit: (e, layout) =>
    roomRight(e, layout) < 8 ? 'It reaches the right edge: the page would scroll sideways.' : null,
};
