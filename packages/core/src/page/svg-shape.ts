import type { ElementFacts, Layout } from './layout.ts';

const SHAPE = /^(g|path|rect|circle|ellipse|line|polyline|polygon|text|tspan|image|use)$/;

/** A part of a drawing: its transforms turn about the drawing’s origin unless `transform-box` says otherwise (CSS Transforms 1, §2). */
export const isSvgShape = (e: Pick<ElementFacts, 'tag'>): boolean => SHAPE.test(e.tag);

/** The drawing that an element is a part of: the outermost `svg` around it; null for what is no part of one. */
export function findDrawing(layout: Layout, element: number): ElementFacts | null {
  let found: ElementFacts | null = null;
  for (let i = element; i >= 0; i = layout.elements[i]?.parent ?? -1) {
    const e = layout.elements[i];
    if (i !== element && e?.tag === 'svg') found = e;
  }
  return found;
}
