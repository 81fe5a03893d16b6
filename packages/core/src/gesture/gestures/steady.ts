import { defineGesture } from '../gesture-definition.ts';

export const steady = defineGesture({
  id: 'steady',
  name: 'Steady',
  what: 'One speed from top to bottom, as no real input does: the plainest to compare with.',
  constants: {
    speed: {
      name: 'Speed',
      value: 1000,
      unit: 'px/s',
      min: 20,
      max: 20_000,
      source: 'Lyvek default: a round number between reading and flicking',
    },
  },
  hand: ({ speed }) => ({ period: 100, distance: (t) => (speed * t) / 1000 }),
});
