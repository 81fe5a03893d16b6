/** Keyframes of a motion as Web Animations take them. */
import { unrolledMotion } from '../../motion/index.ts';
import type { Motion } from '../../motion/index.ts';
import { isNamedPlace } from '../../timeline/index.ts';
import { keyframeOffset, withWholeEasing } from '../../value/index.ts';

const camel = (property: string) =>
  property.startsWith('--') ? property : property.replace(/-([a-z])/g, (_, c: string) => c.toUpperCase());

/** One list for each property. */
export function listKeyframes(motion: Motion): Record<string, string | number>[][] {
  const m = unrolledMotion(motion);
  return Object.entries(m.keyframes).map(([property, list]) =>
    withWholeEasing(list, m.easing).map((k) => ({
      // Not all browsers take percentages here; places at range names have no other form.
      offset: isNamedPlace(k.at) ? k.at : keyframeOffset(k.at),
      ...(k.value ? { [camel(property)]: k.value } : {}),
      ...(k.easing && k.easing !== 'linear' ? { easing: k.easing } : {}),
    })),
  );
}
