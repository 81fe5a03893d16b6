import { asView, findSubject } from '../../drivers/index.ts';
import { maxScrollFor } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

export const fixedView: CheckDefinition = {
  id: 'fixed-view',
  name: 'View progress of a fixed element',
  group: 'reach',
  why: 'A fixed element counts as lying at the page’s top, so its view progress is over as soon as the page scrolls.',
  checkMotion(instance, { timeline }) {
    const { motion, element } = instance;
    const view = asView(motion.driver);
    if (!view) return null;
    const subject = findSubject(view, element, timeline.layout) ?? -1;
    if (!timeline.layout.elements[subject]?.fixed) return null;
    const max = maxScrollFor(instance, timeline);
    const screen = Math.min(
      100,
      Math.round((1000 * timeline.layout.viewport.height) / Math.max(1, max)) / 10,
    );
    return {
      severity: 'error',
      at: 0,
      brief: 'fixed, so never passes',
      sentence:
        'It is driven by the view progress of an element that is fixed to the window and never passes. Let the scroll of the page drive it, or another element’s view progress.',
      fix: {
        label: 'Let the first screen of scroll drive it',
        motions: [
          {
            ...motion,
            driver: { kind: 'scroll', axis: 'block' },
            range: { start: '0%', end: `${screen}%` },
          },
        ],
      },
    };
  },
};
