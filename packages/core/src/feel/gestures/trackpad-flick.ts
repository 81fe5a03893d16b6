import type { GestureDefinition } from '../gesture-definition.ts';

const SPEED = 3200;
const FADE = 380;
const AGAIN = 900;

const reach = (t: number) => ((SPEED * FADE) / 1000) * (1 - Math.exp(-t / FADE));
const WHOLE = reach(AGAIN);

export const flick: GestureDefinition = {
  id: 'trackpad-flick',
  name: 'Trackpad flick',
  what: 'Two fingers thrown upwards again and again; speed fades exponentially in between.',
  period: WHOLE,
  constants: {
    speed: { value: SPEED, unit: 'px/s', source: 'chosen by us: a lively flick' },
    fade: { value: FADE, unit: 'ms', source: 'chosen by us: time constant of the momentum' },
    again: { value: AGAIN, unit: 'ms', source: 'chosen by us: from one flick to the next' },
  },
  distance(t) {
    const whole = Math.floor(t / AGAIN);
    return whole * WHOLE + reach(t - whole * AGAIN);
  },
};
