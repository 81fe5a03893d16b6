import { asScroll, asView } from '../../drivers/index.ts';
import { atLoad, isInFirstScreen } from '../at-load.ts';
import { opacityAt } from '../opacity-at.ts';
import type { CheckDefinition } from '../finding.ts';

/** Fainter than this counts as not there. */
const UNSEEN = 0.1;

export const hiddenAtLoad: CheckDefinition = {
  id: 'hidden-at-load',
  name: 'Invisible before any scroll',
  group: 'reach',
  covers: ['unseen-where-read', 'too-few-frames'],
  why: 'It belongs to the first screen, but nobody sees it there until they scroll: many never do, and take the page for empty.',
  checkMotion(instance, { timeline }) {
    const { motion, element, placed } = instance;
    const isScrolled = asView(motion.driver) !== null || asScroll(motion.driver) !== null;
    if (!motion.keyframes.opacity || !isScrolled || placed.end <= 0) return null;
    // A bar that comes later is meant to; only what its own place in the page shows at first is missed.
    if (!isInFirstScreen(instance, timeline)) return null;
    if (opacityAt(timeline, element, 0) > UNSEEN || opacityAt(timeline, element, placed.end) <= UNSEEN)
      return null;
    return {
      severity: 'error',
      at: 0,
      brief: 'not there at first',
      sentence: `It belongs to the first screen and is invisible until the page is scrolled by ${Math.max(1, Math.round(placed.start))} px.`,
      fix: { label: 'Let it play at page load', motions: [atLoad(motion)] },
    };
  },
};
