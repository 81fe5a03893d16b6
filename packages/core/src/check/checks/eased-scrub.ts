import type { CheckDefinition } from '../finding.ts';
import { isEased, straightened } from '../straight.ts';

export const easedScrub: CheckDefinition = {
  id: 'eased-scrub',
  name: 'Eased scrub',
  group: 'smoothness',
  why: 'An eased scrub runs ahead of the scroll in one place and lags in another, so it does not feel attached to the page.',
  checkMotion(instance, { limits }, figures) {
    const { motion, placed } = instance;
    // Steps have a check of their own.
    if (!figures || !isEased(motion) || figures.jumps.length > 0) return null;
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
