/** Adjustments as CSS: declarations on page elements that motions or pins need. */
import { playsReduced } from '../../drivers/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import type { Layout } from '../../page/index.ts';
import { adjustedBy, writtenSelector } from '../selectors/marks.ts';
import { toPiece } from './piece.ts';
import type { Condition, Piece } from './piece.ts';

/** Whether a page was measured with just the adjustments that a document has in force. */
export const isAdjusted = (layout: Layout, document: MotionDocument, condition: Condition): boolean =>
  layout.adjusted === adjustedBy(adjustmentPieces(document, layout, condition).map((p) => p.rules));

/** What is left of a motion for readers who ask for reduced motion moves or fades something; nothing is held for them. */
const isLeft = ({ reducedMotion, driver, keyframes }: Motion): boolean =>
  playsReduced(driver) && (reducedMotion === 'keep' || (reducedMotion === 'fade' && 'opacity' in keyframes));

/** Ids of what is there under a condition, so that what it needs is there too. */
function presentIn({ motions, pins }: MotionDocument, condition: Condition): Set<string> {
  const isReduced = condition === 'reduced-motion';
  const moving = motions.filter((m) => m.on && (!isReduced || isLeft(m)));
  return new Set([...moving, ...(isReduced ? [] : pins.filter((p) => p.on))].map((x) => x.id));
}

/**
 * Those whose motions and pins are all off, or not there under the condition, are left out: an adjustment without its motion can cover
 * what the motion would have shown. What several say in the same words is written once.
 */
export function adjustmentPieces(document: MotionDocument, layout: Layout, condition: Condition): Piece[] {
  const present = presentIn(document, condition);
  const written = new Map<string, Piece>();
  for (const a of document.adjustments) {
    if (
      Object.keys(a.declarations).length === 0 ||
      (a.for.length > 0 && !a.for.some((id) => present.has(id)))
    )
      continue;
    const piece = toPiece({
      id: `adjust:${a.id}`,
      motions: a.for,
      stays: true,
      styles: [{ selector: writtenSelector(a.selector, layout), set: a.declarations }],
    });
    const known = written.get(piece.rules);
    if (known) known.motions = [...new Set([...known.motions, ...a.for])];
    else written.set(piece.rules, piece);
  }
  return [...written.values()];
}
