import { itemAt } from '../assert/index.ts';
import type { MotionDocument, CompiledTimeline } from '../motion/index.ts';
import { findMatches } from '../page/index.ts';

/** What the document’s adjustments say of an element’s property, the last one counting; null when they say nothing. */
export function declared(
  document: MotionDocument,
  timeline: CompiledTimeline,
  element: number,
  property: string,
): string | null {
  let css: string | null = null;
  for (const { selector, declarations } of document.adjustments)
    if (declarations[property] !== undefined && findMatches(timeline.layout, selector).includes(element))
      css = declarations[property];
  return css;
}

/** Whether an element or one around it clips what reaches beyond it to the sides. */
export function isClipped(document: MotionDocument, timeline: CompiledTimeline, element: number): boolean {
  const root = document.adjustments.some(
    (a) => /^(?:html|body|:root)$/.test(a.selector) && /clip/.test(a.declarations['overflow-x'] ?? ''),
  );
  if (root || timeline.layout.page.hidesInline) return true;
  for (
    let e = itemAt(timeline.layout.elements, element).parent;
    e >= 0;
    e = itemAt(timeline.layout.elements, e).parent
  ) {
    const own = declared(document, timeline, e, 'overflow-x') ?? declared(document, timeline, e, 'overflow');
    const overflow = own ?? itemAt(timeline.layout.elements, e).overflow ?? 'visible';
    if (!/^visible/.test(overflow)) return true;
  }
  return false;
}
