import { defineGesture } from '../gesture-definition.ts';
import { strokes } from '../strokes.ts';

/** The way of least jerk between two rests (Flash and Hogan 1985): a hand that does not hurry. */
const leastJerk = (t: number) => t ** 3 * (10 - 15 * t + 6 * t * t);

export const slowRead = defineGesture({
  id: 'slow-read',
  name: 'Slow read',
  what: 'A stretch, a pause to read it, the next stretch.',
  constants: {
    stretch: {
      name: 'Stretch',
      value: 40,
      unit: '% of the viewport',
      min: 5,
      max: 100,
      source: 'Lyvek default: what was read leaves, what comes next arrives',
    },
    move: {
      name: 'Moves for',
      value: 850,
      unit: 'ms',
      min: 100,
      max: 5000,
      source: 'Lyvek default: an unhurried stroke',
    },
    pause: {
      name: 'Pauses for',
      value: 2000,
      unit: 'ms',
      min: 0,
      max: 20_000,
      source: 'Lyvek default: a few lines of text',
    },
  },
  hand: ({ stretch, move, pause }, port) => strokes((stretch / 100) * port, move + pause, move, leastJerk),
});
