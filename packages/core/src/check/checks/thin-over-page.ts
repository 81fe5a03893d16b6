import { itemAt } from '../../assert/index.ts';
import { asScroll } from '../../drivers/index.ts';
import { maxScrollFor } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

/** Less of the way than this, seen over most of a page, is thin. Chosen by us. */
const SEEN = 0.3;
const MAX_OF_PAGE = 0.5;

export const thinOverPage: CheckDefinition = {
  id: 'thin-over-page',
  name: 'Thin over the whole page',
  group: 'reach',
  why: 'Spread over the whole page, the part that can be seen barely moves.',
  checkMotion(instance, { timeline }) {
    const { motion, element, placed } = instance;
    const { box, fixed, sticky } = itemAt(timeline.layout.elements, element);
    const whole = asScroll(motion.driver);
    if (!whole || whole.scroller || fixed || sticky) return null;
    const max = maxScrollFor(instance, timeline);
    const length = placed.end - placed.start;
    if (length < MAX_OF_PAGE * max || placed.axis !== 'block') return null;
    const from = Math.max(0, placed.start, box.y - timeline.layout.viewport.height);
    const to = Math.min(max, placed.end, box.y + box.height);
    const seen = Math.max(0, to - from) / length;
    if (seen >= SEEN) return null;
    return {
      severity: 'warning',
      at: from,
      brief: 'barely moves',
      sentence: `While it can be seen only ${Math.round(100 * seen)} % of its range happens; the rest is spread over the page.`,
      fix: {
        label: 'Give it its own view progress',
        motions: [
          {
            ...motion,
            driver: { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
            range: {
              start: box.y < timeline.layout.viewport.height ? 'scroll 0%' : 'cover 0%',
              end: box.y + box.height > max ? 'scroll 100%' : 'cover 100%',
            },
          },
        ],
      },
    };
  },
};
