import { itemAt } from '../../assert/index.ts';
import type { CheckDefinition } from '../finding.ts';

/** Share of the viewport that counts as large, and of its height that counts as far. Chosen by us. */
const LARGE = 0.4;
const FAR = 0.5;

export const counterMotion: CheckDefinition = {
  id: 'counter-motion',
  name: 'Large counter-motion',
  group: 'care',
  why: 'A large part of the screen moving against the scroll direction can make people with vestibular disorders sick.',
  checkMotion({ motion, element, placed }, { timeline }, figures) {
    if (!figures || motion.reducedMotion !== 'keep') return null;
    const { box } = itemAt(timeline.layout.elements, element);
    const { width, height } = timeline.layout.viewport;
    const share = (Math.min(box.width, width) * Math.min(box.height, height)) / (width * height);
    if (share < LARGE || figures.travel < FAR * height) return null;
    return {
      severity: 'warning',
      at: Math.max(0, placed.start),
      brief: 'large and far',
      sentence: `${Math.round(100 * share)} % of the screen moves ${Math.round(figures.travel)} px against the scroll, also for readers who ask for reduced motion.`,
      fix: { label: 'Leave it out for them', motions: [{ ...motion, reducedMotion: 'drop' }] },
    };
  },
};
