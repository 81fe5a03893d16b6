import { asScroll } from '../../drivers/index.ts';
import { atLoad, isInFirstScreen } from '../at-load.ts';
import { isSlide, maxScrollFor, pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

export const startsPartWay: CheckDefinition = {
  id: 'starts-part-way',
  name: 'Starts partway',
  group: 'reach',
  why: 'The page opens with the motion already in progress, so its first state is never seen.',
  checkMotion(instance, { timeline }) {
    const { start, end } = instance.placed;
    // Where nothing scrolls nothing starts.
    if (start >= -1 / 32 || maxScrollFor(instance, timeline) <= 0 || isSlide(instance, timeline)) return null;
    const { motion } = instance;
    // Begun with the page, what fades in would not be there at first.
    const fades =
      Number.parseFloat(motion.keyframes.opacity?.[0]?.value ?? '1') < 0.5 &&
      isInFirstScreen(instance, timeline);
    const already = Math.min(100, Math.round((-start / Math.max(end - start, 1e-9)) * 100));
    return {
      // What is over is seen as it ends.
      severity: end <= 0 ? 'info' : 'warning',
      at: 0,
      brief: 'starts part-way',
      sentence:
        end <= 0
          ? `It is over before the page can be scrolled: its range ends ${pxText(-end)} above the top.`
          : `When the page opens it is already at ${already} %: its range begins ${pxText(-start)} above the top.`,
      fix:
        end <= 0
          ? null
          : fades
            ? { label: 'Let it play at page load', motions: [atLoad(motion)] }
            : {
                label: 'Start it with the page',
                motions: [
                  {
                    ...motion,
                    range: { ...motion.range, start: asScroll(motion.driver) ? '0%' : 'scroll 0%' },
                  },
                ],
              },
    };
  },
};
