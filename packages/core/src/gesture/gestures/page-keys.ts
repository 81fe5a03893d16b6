import { defineGesture } from '../gesture-definition.ts';
import { strokes } from '../strokes.ts';

const inAndOut = (t: number) => (t < 0.5 ? 2 * t * t : 1 - 2 * (1 - t) ** 2);

export const pageKeys = defineGesture({
  id: 'page-keys',
  name: 'Page keys',
  what: 'The space bar or Page Down, a screen at a time.',
  leaps: true,
  constants: {
    share: {
      name: 'A press moves',
      value: 87.5,
      unit: '% of the viewport',
      min: 10,
      max: 100,
      source: 'Page Down in Debian’s Chromium, measured: 0.875 of the scrollport’s height',
    },
    eased: {
      name: 'Within',
      value: 150,
      unit: 'ms',
      min: 1,
      max: 2000,
      source: 'Page Down in Debian’s Chromium, measured: there after about 150 ms',
    },
    every: {
      name: 'Next press after',
      value: 900,
      unit: 'ms',
      min: 50,
      max: 10_000,
      source: 'Lyvek default: leafing rather than reading',
    },
  },
  // A press during the way of the one before begins where that would have ended.
  hand: ({ share, eased, every }, port) => strokes((share / 100) * port, every, eased, inAndOut),
});
