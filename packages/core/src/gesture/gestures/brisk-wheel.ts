import { defineGesture } from '../gesture-definition.ts';

/** Each notch sets out for as much more; its way there is eased, and the next notch sets out before it has arrived. */
const ease = (t: number) => 1 - (1 - t) ** 3;

export const brisk = defineGesture({
  id: 'brisk-wheel',
  name: 'Brisk wheel',
  what: 'Notches of a mouse wheel in quick succession, eased.',
  constants: {
    notch: {
      name: 'Notch',
      value: 100,
      unit: 'px',
      min: 20,
      max: 400,
      source: 'one wheel event in Debian’s Chromium at a scale of 1, measured',
    },
    every: {
      name: 'Next notch after',
      value: 90,
      unit: 'ms',
      min: 20,
      max: 600,
      source: 'Lyvek default: about eleven notches a second',
    },
    eased: {
      name: 'Eased over',
      value: 140,
      unit: 'ms',
      min: 1,
      max: 600,
      source: 'Lyvek default: a wheel event jumps at once in headless Chromium',
    },
  },
  hand: ({ notch, every, eased }) => ({
    period: notch,
    distance(t) {
      const begun = Math.floor(t / every);
      // Only notches that are still under way need their easing.
      const arrived = Math.max(0, Math.floor((t - eased) / every) + 1);
      let sum = arrived * notch;
      for (let k = arrived; k <= begun; k++) sum += notch * ease(Math.min(1, (t - k * every) / eased));
      return sum;
    },
  }),
});
