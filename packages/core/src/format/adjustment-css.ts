/** Adjustments as CSS: declarations on page elements that motions or pins need. */
import type { MotionDocument } from '../motion/index.ts';
import type { Layout } from '../page/index.ts';
import { adjustedBy, writtenSelector } from './marks.ts';
import type { Piece } from './piece.ts';
import { rule } from './rule.ts';

/** Whether a page was measured with just the adjustments that a document has in force. */
export const isAdjusted = (layout: Layout, document: MotionDocument): boolean =>
  layout.adjusted === adjustedBy(adjustmentPieces(document, layout).map((p) => p.rules));

/** Those whose motions and pins are all off are left out. */
export function adjustmentPieces(document: MotionDocument, layout: Layout): Piece[] {
  const on = new Set([...document.motions, ...document.pins].filter((x) => x.on).map((x) => x.id));
  return document.adjustments.flatMap((a) => {
    const lines = Object.entries(a.declarations).map(([property, css]) => `${property}: ${css};`);
    if (lines.length === 0 || (a.for.length > 0 && !a.for.some((id) => on.has(id)))) return [];
    return [
      {
        id: `adjust:${a.id}`,
        motions: a.for,
        stays: true,
        rules: rule(writtenSelector(a.selector, layout), lines),
        keyframes: '',
      },
    ];
  });
}
