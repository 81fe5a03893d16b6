import type { Motion } from '../motion/index.ts';
import { isLinear, parseEasing } from '../value/index.ts';

const bends = (css: string | undefined): boolean => {
  if (css === undefined) return false;
  const parsed = parseEasing(css);
  return parsed.ok && !isLinear(parsed.value);
};

/** Whether any easing of a motion is not linear. */
export const isEased = (m: Motion): boolean =>
  bends(m.easing) || Object.values(m.keyframes).some((list) => list.some((k) => bends(k.easing)));

/** The same motion, linear throughout. */
export const straightened = (m: Motion): Motion => ({
  ...m,
  easing: 'linear',
  keyframes: Object.fromEntries(
    Object.entries(m.keyframes).map(([p, list]) => [
      p,
      list.map((k) => (k.easing === undefined ? k : { ...k, easing: 'linear' })),
    ]),
  ),
});
