/** Strokes: the same way again and again, each within its time and with a rest until the next. */
import type { Ms, Px } from '../page/index.ts';
import type { Hand } from './gesture-definition.ts';

/** A stroke of `way` px sets out every `every` ms and is there after `eased` ms; `ease` says how, from 0 to 1. */
export const strokes = (way: Px, every: Ms, eased: Ms, ease: (t: number) => number): Hand => ({
  period: way,
  distance(t) {
    const whole = Math.floor(t / every);
    return way * (whole + ease(Math.min(1, (t - whole * every) / Math.min(eased, every))));
  },
});
