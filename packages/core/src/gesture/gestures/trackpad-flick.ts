import { defineGesture } from '../gesture-definition.ts';
import { throwing } from '../momentum.ts';

export const flick = defineGesture({
  id: 'trackpad-flick',
  name: 'Trackpad flick',
  what: 'Two fingers thrown upwards again and again; speed fades exponentially in between.',
  constants: {
    speed: {
      name: 'Start speed',
      value: 3200,
      unit: 'px/s',
      min: 200,
      max: 20_000,
      source: 'Lyvek default: a lively flick',
    },
    fade: {
      name: 'Time constant',
      value: 380,
      unit: 'ms',
      min: 50,
      max: 2000,
      source: 'Lyvek default: time constant of the momentum',
    },
    again: {
      name: 'Next flick after',
      value: 900,
      unit: 'ms',
      min: 100,
      max: 5000,
      source: 'Lyvek default: from one flick to the next',
    },
  },
  hand: (values) => throwing(values),
});
