import { defineGesture } from '../gesture-definition.ts';

export const jump = defineGesture({
  id: 'jump',
  name: 'Jump',
  what: 'Links to places on the page: three screens at once, with nothing shown in between.',
  leaps: true,
  constants: {
    screens: {
      name: 'A jump is',
      value: 3,
      unit: 'screens',
      min: 0.5,
      max: 50,
      source: 'Lyvek default: from one chapter to the next',
    },
    every: {
      name: 'Next jump after',
      value: 1200,
      unit: 'ms',
      min: 100,
      max: 10_000,
      source: 'Lyvek default: time to see where one has come to',
    },
  },
  hand({ screens, every }, port) {
    const period = screens * port;
    return { period, distance: (t) => period * Math.floor(t / every) };
  },
});
