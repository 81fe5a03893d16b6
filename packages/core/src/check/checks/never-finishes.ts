import { asScroll } from '../../drivers/index.ts';
import { isSlide, maxScrollFor, pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

export const neverFinishes: CheckDefinition = {
  id: 'never-finishes',
  name: 'Never finishes',
  group: 'reach',
  covers: ['unseen-where-read', 'too-few-frames'],
  why: 'The page ends before the motion does, so its last state is never seen.',
  checkMotion(instance, { timeline }) {
    const { start, end } = instance.placed;
    const max = maxScrollFor(instance, timeline);
    if (end <= max + 1 / 32 || isSlide(instance, timeline)) return null;
    const { motion } = instance;
    const reached = Math.max(0, Math.round(((max - start) / (end - start)) * 100));
    return {
      severity: 'error',
      at: max,
      brief: 'ends past page',
      sentence: `It would end at ${pxText(end)}, but ${instance.placed.scroller === 0 ? 'the page' : 'its scroller'} stops at ${pxText(max)}: it never gets further than ${reached} %.`,
      fix: {
        label: 'End it with the page',
        motions: [
          {
            ...motion,
            range: { ...motion.range, end: asScroll(motion.driver) ? '100%' : 'scroll 100%' },
          },
        ],
      },
    };
  },
};
