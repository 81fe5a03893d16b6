import type { MotionDocument, Take } from '../motion/index.ts';
import { matchesOf } from '../page/index.ts';

/** What the document’s adjustments say of an element’s property, the last one counting; null when they say nothing. */
export function declared(
  document: MotionDocument,
  take: Take,
  element: number,
  property: string,
): string | null {
  let css: string | null = null;
  for (const { selector, declarations } of document.adjustments)
    if (declarations[property] !== undefined && matchesOf(take.layout, selector).includes(element))
      css = declarations[property];
  return css;
}

/** Whether an element or one around it clips what reaches beyond it to the sides. */
export function isClipped(document: MotionDocument, take: Take, element: number): boolean {
  const root = document.adjustments.some(
    (a) => /^(?:html|body|:root)$/.test(a.selector) && /clip/.test(a.declarations['overflow-x'] ?? ''),
  );
  if (root || take.layout.page.hidesInline) return true;
  for (let e = take.layout.elements[element]!.parent; e >= 0; e = take.layout.elements[e]!.parent) {
    const own = declared(document, take, e, 'overflow-x') ?? declared(document, take, e, 'overflow');
    const overflow = own ?? take.layout.elements[e]!.overflow ?? 'visible';
    if (!/^visible/.test(overflow)) return true;
  }
  return false;
}
