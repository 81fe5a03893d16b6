import type { CheckDefinition } from '../finding.ts';
import { isEased, straightened } from '../straight.ts';

export const easedScrub: CheckDefinition = {
  id: 'eased-scrub',
  name: 'Eased scrub',
  group: 'smoothness',
  why: 'An eased scrub runs ahead of the scroll in one place and lags in another, so it does not feel attached to the page.',
  checkMotion(instance, { limits }, figures) {
    const { motion, placed } = instance;
    if (!figures || !isEased(motion)) return null;
    // Steps have a check of their own; an easing may all but jump where it begins.
    if (figures.jumps.some((j) => j.at > placed.start + 0.1 && j.at < placed.end - 0.1)) return null;
    const fast = figures.gain > limits.gain;
    const uneven = figures.unevenness > limits.unevenness;
    if (!fast && !uneven) return null;
    return {
      severity: 'warning',
      at: Math.max(0, placed.start),
      brief: fast ? `${figures.gain.toFixed(1)}× faster than the scroll` : 'uneven while scrubbed',
      sentence: fast
        ? `Its easing moves it ${figures.gain.toFixed(1)} px per px of scroll at most; your limit is ${limits.gain}.`
        : `At its fastest it goes ${figures.unevenness.toFixed(1)} times as fast as on average; your limit is ${limits.unevenness}.`,
      fix: { label: 'Make it linear', motions: [straightened(motion)] },
    };
  },
};
