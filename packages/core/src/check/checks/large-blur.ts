import { present } from '../../assert/index.ts';
import { computeArea, computeBlur } from '../../budget/index.ts';
import type { CheckDefinition } from '../finding.ts';

/** Smaller areas cost little, Mpx. Chosen by us. */
const SMALL = 0.1;

export const largeBlur: CheckDefinition = {
  id: 'large-blur',
  name: 'Large blur',
  group: 'budget',
  covers: ['hot-spot'],
  why: 'A blur is computed again for every pixel in every frame; its cost grows with its area and its radius.',
  checkMotion(instance, { timeline, limits }) {
    const { motion, element, placed } = instance;
    const radius = computeBlur(timeline, timeline.instances.indexOf(instance));
    const area = computeArea(timeline.layout, element, 1);
    if (radius <= limits.blur || area < SMALL) return null;
    const softer = (css: string) =>
      css.replace(/blur\((-?[\d.]+)px\)/g, (_m, n: string) => `blur(${Math.min(Number(n), limits.blur)}px)`);
    const filters = ['filter', 'backdrop-filter'].filter((p) => motion.keyframes[p]);
    return {
      severity: radius > 2 * limits.blur ? 'error' : 'warning',
      at: Math.max(0, placed.start),
      brief: `blurs by ${Math.round(radius)} px`,
      sentence: `A blur of ${Math.round(radius)} px over ${area.toFixed(1)} million pixels is worked out in every frame; your limit is ${limits.blur} px.`,
      fix: {
        label: `Blur by ${limits.blur} px`,
        motions: [
          {
            ...motion,
            keyframes: {
              ...motion.keyframes,
              ...Object.fromEntries(
                filters.map((p) => [
                  p,
                  present(motion.keyframes[p]).map((k) => ({ ...k, value: softer(k.value) })),
                ]),
              ),
            },
          },
        ],
      },
    };
  },
};
