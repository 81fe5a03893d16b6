import { pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

/** Slow at both stops, quick between them. */
const SOFT = 'cubic-bezier(0.2, 0, 0.8, 1)';

export const kink: CheckDefinition = {
  id: 'kink',
  name: 'Kink',
  group: 'smoothness',
  why: 'Its speed changes abruptly at a keyframe in the middle, which shows as a jolt while scrolling.',
  checkMotion(instance, { limits }, figures) {
    const { motion, placed } = instance;
    if (!figures) return null;
    const inside = figures.kinks.filter((k) => k.at > placed.start + 1 && k.at < placed.end - 1);
    const worst = inside.reduce((m, k) => (k.by > m.by ? k : m), { at: 0, by: 0, opacity: 0 });
    if (worst.by <= limits.kink) return null;
    return {
      severity: 'warning',
      at: worst.at,
      brief: 'has a kink',
      sentence: `At ${pxText(worst.at)} its speed changes at once by ${worst.by.toFixed(1)} px per px of scroll; your limit is ${limits.kink}.`,
      fix: {
        label: 'Smooth its keyframes',
        motions: [
          {
            ...motion,
            easing: 'linear',
            keyframes: Object.fromEntries(
              Object.entries(motion.keyframes).map(([p, list]) => [
                p,
                list.map((k, i) => (i < list.length - 1 ? { ...k, easing: SOFT } : k)),
              ]),
            ),
          },
        ],
      },
    };
  },
};
