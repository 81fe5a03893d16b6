import { asView } from '../../drivers/index.ts';
import { maxScrollFor, pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';
import { findRangePoint } from '../find-range-point.ts';
import { isTooLongAStep } from '../../trial/index.ts';

export const stepTooLarge: CheckDefinition = {
  id: 'step-too-large',
  name: 'Step too large',
  group: 'smoothness',
  why: 'From one frame to the next it goes so far that the eye sees it in two places instead of moving.',
  checkMotion(instance, { timeline, limits, gesture, trial }, figures) {
    if (!figures || !trial || gesture.leaps) return null;
    if (!isTooLongAStep(figures, limits.peakStep, trial.handStep)) return null;
    const { motion, placed } = instance;
    const max = maxScrollFor(instance, timeline);
    const factor = (1.25 * figures.peakStep) / limits.peakStep;
    const length = (placed.end - placed.start) * factor;
    const centre = Math.min(max - length / 2, Math.max(length / 2, (placed.start + placed.end) / 2));
    const fits = length < max && asView(motion.driver) !== null && figures.jumps.length === 0;
    return {
      severity: figures.peakStep > 2 * limits.peakStep ? 'error' : 'warning',
      at: Math.min(max, Math.max(0, figures.peakAt)),
      brief: `goes ${pxText(figures.peakStep)} in one frame`,
      sentence: `With ${gesture.name.toLowerCase()} it goes up to ${pxText(figures.peakStep)} from one frame to the next; your limit is ${pxText(limits.peakStep)}.`,
      fix: fits
        ? {
            label: `Spread it over ${pxText(length)}`,
            motions: [
              {
                ...motion,
                range: {
                  start: findRangePoint(
                    Math.max(0, centre - length / 2),
                    motion.range.start,
                    instance,
                    max,
                    'start',
                  ),
                  end: findRangePoint(
                    Math.min(max, centre + length / 2),
                    motion.range.end,
                    instance,
                    max,
                    'end',
                  ),
                },
              },
            ],
          }
        : null,
    };
  },
};
