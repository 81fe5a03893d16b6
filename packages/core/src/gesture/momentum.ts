/** Momentum: a speed that fades exponentially, until the hand throws again. */
import type { Ms, Px } from '../page/index.ts';
import type { Hand } from './gesture-definition.ts';

export interface Throw {
  /** px/s when it is let go */
  speed: number;
  /** time constant of its fading, ms */
  fade: Ms;
  /** from one throw to the next, ms */
  again: Ms;
  /** how long the finger moves with the page before it lets go, ms */
  held?: Ms;
}

/** ∫ speed·exp(−t/fade) dt after a stretch at constant speed. */
export function throwing({ speed, fade, again, held = 0 }: Throw): Hand {
  const reach = (t: Ms): Px =>
    (speed / 1000) * (Math.min(t, held) + fade * (1 - Math.exp(-Math.max(0, t - held) / fade)));
  const period = reach(again);
  return {
    period,
    distance(t) {
      const whole = Math.floor(t / again);
      return whole * period + reach(t - whole * again);
    },
  };
}
