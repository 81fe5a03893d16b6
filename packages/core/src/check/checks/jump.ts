import type { Keyframe } from '../../value/index.ts';
import type { Motion } from '../../motion/index.ts';
import { pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

export const jump: CheckDefinition = {
  id: 'jump',
  name: 'Jump',
  group: 'smoothness',
  why: 'The value changes at once in the middle of a motion, which shows as a flash or a hop at every passing.',
  checkMotion(instance, _context, figures) {
    const { motion, placed } = instance;
    // What does not fill, or has no length, has checks of its own.
    if (!figures || motion.fill !== 'both' || placed.end <= placed.start) return null;
    const inside = figures.jumps.filter((j) => j.at > placed.start + 0.1 && j.at < placed.end - 0.1);
    const worst = inside.sort((a, b) => b.by + 100 * b.opacity - (a.by + 100 * a.opacity))[0];
    if (!worst) return null;
    const corrected = smoothed(motion);
    return {
      severity: 'warning',
      at: worst.at,
      brief: worst.by > 0.5 ? `hops ${pxText(worst.by)}` : 'flashes',
      sentence: `At ${pxText(worst.at)} it ${worst.by > 0.5 ? `hops ${pxText(worst.by)}` : `changes its opacity by ${Math.round(100 * worst.opacity)} %`} at once.`,
      fix: corrected ? { label: 'Join it up', motions: [corrected] } : null,
    };
  },
};

/** Steps become straight lines, and of two stops at one place only the later one stays. */
function smoothed(m: Motion): Motion | null {
  const steps = /step/;
  const joined = (list: Keyframe[]): Keyframe[] =>
    list
      .filter((k, i) => list[i + 1]?.at !== k.at)
      .map((k) => (k.easing && steps.test(k.easing) ? { ...k, easing: 'linear' } : k));
  const keyframes = Object.fromEntries(Object.entries(m.keyframes).map(([p, list]) => [p, joined(list)]));
  const easing = steps.test(m.easing) ? 'linear' : m.easing;
  return JSON.stringify([keyframes, easing]) === JSON.stringify([m.keyframes, m.easing])
    ? null
    : { ...m, keyframes, easing };
}
