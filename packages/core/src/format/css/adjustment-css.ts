/** Adjustments as CSS: declarations on page elements that motions or pins need. */
import { playsReduced } from '../../drivers/index.ts';
import type { Adjustment, Motion, MotionDocument } from '../../motion/index.ts';
import type { Layout } from '../../page/index.ts';
import { adjustedBy, writtenSelector } from '../selectors/marks.ts';
import type { Condition, Piece } from './piece.ts';
import { rule } from './rule.ts';

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

const listDeclarations = (a: Adjustment): string[] =>
  Object.entries(a.declarations).map(([property, css]) => `${property}: ${css};`);

/**
 * Those whose motions and pins are all off, or not there under the condition, are left out: an adjustment without its motion can cover
 * what the motion would have shown. What several say in the same words is written once.
 */
export function adjustmentPieces(document: MotionDocument, layout: Layout, condition: Condition): Piece[] {
  const present = presentIn(document, condition);
  const written = new Map<string, Piece>();
  for (const a of document.adjustments) {
    const lines = listDeclarations(a);
    if (lines.length === 0 || (a.for.length > 0 && !a.for.some((id) => present.has(id)))) continue;
    const rules = rule(writtenSelector(a.selector, layout), lines);
    const known = written.get(rules);
    if (known) known.motions = [...new Set([...known.motions, ...a.for])];
    else written.set(rules, { id: `adjust:${a.id}`, motions: a.for, stays: true, rules, keyframes: '' });
  }
  return [...written.values()];
}
