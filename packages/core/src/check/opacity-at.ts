import { inEffect, sampleInstance } from '../motion/index.ts';
import type { Take } from '../motion/index.ts';
import type { Px } from '../page/index.ts';

/** An element’s own opacity by all that scrolling does to it; of several motions that set it the last one in effect counts. */
export function opacityAt(take: Take, element: number, s: Px): number {
  let opacity = Number.parseFloat(take.layout.elements[element]!.base?.opacity ?? '1');
  for (const t of take.writers.get(element)?.get('opacity') ?? []) {
    const { instance } = take.tracks[t]!;
    const { placed } = take.instances[instance]!;
    if (placed.scroller !== 0 || placed.axis !== 'block') continue;
    sampleInstance(take, instance, s);
    if (inEffect(take, instance)) opacity = take.values[take.trackSlot[t]!]!;
  }
  return opacity;
}
