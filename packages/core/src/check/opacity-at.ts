import { itemAt } from '../assert/index.ts';
import { inEffect, sampleInstance } from '../motion/index.ts';
import type { CompiledTimeline } from '../motion/index.ts';
import type { Px } from '../page/index.ts';

/** An element’s own opacity by all that scrolling does to it; of several motions that set it the last one in effect counts. */
export function opacityAt(timeline: CompiledTimeline, element: number, s: Px): number {
  let opacity = Number.parseFloat(itemAt(timeline.layout.elements, element).base?.opacity ?? '1');
  for (const t of timeline.writers.get(element)?.get('opacity') ?? []) {
    const { instance } = itemAt(timeline.tracks, t);
    const { placed } = itemAt(timeline.instances, instance);
    if (placed.scroller !== 0 || placed.axis !== 'block') continue;
    sampleInstance(timeline, instance, s);
    if (inEffect(timeline, instance)) opacity = itemAt(timeline.values, itemAt(timeline.trackSlot, t));
  }
  return opacity;
}
