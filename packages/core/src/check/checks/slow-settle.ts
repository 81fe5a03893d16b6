import type { CheckDefinition } from '../finding.ts';
import { tightened } from '../tightened.ts';

export const slowSettle: CheckDefinition = {
  id: 'slow-settle',
  name: 'Slow settle',
  group: 'damping',
  why: 'After scrolling stops it keeps drifting, and the reader waits for the page to settle.',
  checkMotion({ motion, placed }, { limits, gesture }, figures) {
    if (!figures || motion.damping.kind === 'none' || gesture.leaps || figures.settle <= limits.settle)
      return null;
    return {
      severity: figures.settle > 2 * limits.settle ? 'error' : 'warning',
      at: Math.max(0, placed.start),
      brief: `settles in ${Math.round(figures.settle)} ms`,
      sentence: `After scrolling stops it keeps moving for ${Math.round(figures.settle)} ms; your limit is ${limits.settle} ms.`,
      fix: {
        label: 'Settle sooner',
        motions: [{ ...motion, damping: tightened(motion.damping, (0.95 * limits.settle) / figures.settle) }],
      },
    };
  },
};
