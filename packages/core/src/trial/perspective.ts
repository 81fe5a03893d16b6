/** The perspective that an element’s parent gives it, from the document’s adjustments. */
import { itemAt } from '../assert/index.ts';
import type { MotionDocument, CompiledTimeline } from '../motion/index.ts';
import { findMatches } from '../page/index.ts';
import type { Poser } from './pose.ts';

const PX = /^(\d+(?:\.\d+)?)px$/;

/** Per element that some adjustment gives a perspective: how far away, px. */
export function listPerspectives(document: MotionDocument, timeline: CompiledTimeline): Map<number, number> {
  const out = new Map<number, number>();
  for (const { selector, declarations } of document.adjustments) {
    const px = PX.exec(declarations.perspective ?? '');
    if (px) for (const e of findMatches(timeline.layout, selector)) out.set(e, Number(px[1]));
  }
  return out;
}

/** About the middle of the parent, as seen from the middle of the element. */
export function perspectiveFor(
  element: number,
  timeline: CompiledTimeline,
  perspectives: ReadonlyMap<number, number>,
): Poser['perspective'] {
  const { parent, box } = itemAt(timeline.layout.elements, element);
  const distance = perspectives.get(parent);
  if (distance === undefined) return null;
  const of = itemAt(timeline.layout.elements, parent).box;
  return {
    distance,
    x: of.x + of.width / 2 - (box.x + box.width / 2),
    y: of.y + of.height / 2 - (box.y + box.height / 2),
  };
}
