import type { GestureDefinition } from '../gesture-definition.ts';

const NOTCH = 100;
const EVERY = 90;
const EASED = 140;

/** Each notch sets out for 100 px more; its way there is eased, and the next notch sets out before it has arrived. */
const ease = (t: number) => 1 - (1 - t) ** 3;

export const brisk: GestureDefinition = {
  id: 'brisk-wheel',
  name: 'Brisk wheel',
  what: 'Notches of a mouse wheel in quick succession, eased.',
  period: NOTCH,
  constants: {
    notch: {
      value: NOTCH,
      unit: 'px',
      source: 'one wheel event in Debian’s Chromium at a scale of 1, measured',
    },
    every: { value: EVERY, unit: 'ms', source: 'chosen by us: about eleven notches a second' },
    eased: {
      value: EASED,
      unit: 'ms',
      source: 'chosen by us: a wheel event jumps at once in headless Chromium',
    },
  },
  distance(t) {
    const begun = Math.floor(t / EVERY);
    let sum = 0;
    // Only notches that are still under way need their easing.
    const arrived = Math.max(0, Math.floor((t - EASED) / EVERY) + 1);
    sum += arrived * NOTCH;
    for (let k = arrived; k <= begun; k++) sum += NOTCH * ease(Math.min(1, (t - k * EVERY) / EASED));
    return sum;
  },
};
