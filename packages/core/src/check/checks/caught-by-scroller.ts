import type { CheckDefinition } from '../finding.ts';

export const caughtByScroller: CheckDefinition = {
  id: 'caught-by-scroller',
  name: 'Caught by a scroller that does not scroll',
  group: 'structure',
  why: 'The passage is measured inside of a box that never moves, so the motion stands still.',
  look(instance, { document, take: { layout } }) {
    const { motion, element, placed } = instance;
    if (motion.driver.kind !== 'passage' || placed.scroller === 0) return null;
    const scroller = layout.scrollers[placed.scroller]!;
    if (scroller.max[placed.axis] > 0 || scroller.selector === null) return null;
    const { selector } = scroller;
    // Mended already; the page has not been measured since.
    if (document.adjustments.some((a) => a.selector === selector && a.declarations.overflow === 'clip'))
      return null;
    return {
      severity: 'wrong',
      at: layout.elements[element]!.box.y,
      brief: 'caught',
      sentence: `${selector} hides its overflow, which makes it a scroller that scrolls 0 px: the passage is measured there, and nothing moves.`,
      fix: {
        label: 'Clip it instead',
        adjust: [{ selector, declarations: { overflow: 'clip' }, for: [motion.id] }],
      },
    };
  },
};
