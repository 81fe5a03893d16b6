import { defineGesture } from '../gesture-definition.ts';
import { throwing } from '../momentum.ts';

export const fling = defineGesture({
  id: 'touch-fling',
  name: 'Touch fling',
  what: 'A finger drags the page and lets go; it runs on, and is flung again before it stops.',
  constants: {
    speed: {
      name: 'Start speed',
      value: 2800,
      unit: 'px/s',
      min: 200,
      max: 20_000,
      source: 'Lyvek default: a third of a phone’s height in the time the finger is down',
    },
    held: {
      name: 'Finger down for',
      value: 110,
      unit: 'ms',
      min: 0,
      max: 1000,
      source: 'Lyvek default: the page moves with the finger for so long',
    },
    fade: {
      name: 'Time constant',
      value: 520,
      unit: 'ms',
      min: 50,
      max: 3000,
      source: 'Lyvek default: time constant of the momentum',
    },
    again: {
      name: 'Next fling after',
      value: 1300,
      unit: 'ms',
      min: 100,
      max: 5000,
      source: 'Lyvek default: from one fling to the next',
    },
  },
  hand: (values) => throwing(values),
});
