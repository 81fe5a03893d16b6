import type { CheckDefinition } from './finding.ts';

export const caughtByScroller: CheckDefinition = {
  id: 'caught-by-scroller',
  name: 'Caught by a scroller that does not scroll',
  why: 'The passage is measured inside of a box that never moves, so the motion stands still.',
  look(instance, { take: { layout } }) {
    const { motion, element, placed } = instance;
    if (motion.driver.kind !== 'passage' || placed.scroller === 0) return null;
    const scroller = layout.scrollers[placed.scroller]!;
    if (scroller.max[placed.axis] > 0 || scroller.selector === null) return null;
    return {
      check: this.id,
      motion: motion.id,
      element,
      severity: 'wrong',
      at: layout.elements[element]!.box.y,
      brief: 'caught',
      sentence: `${scroller.selector} hides its overflow, which makes it a scroller: the passage is measured there, and nothing moves. Give it overflow: clip, which cuts off as well and is no scroller.`,
      fix: null,
    };
  },
};
