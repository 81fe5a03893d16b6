import type { CheckDefinition } from '../finding.ts';
import { isEased, straightened } from '../straight.ts';

const ENDS: ReadonlySet<string> = new Set(['0%', '100%']);

export const reversal: CheckDefinition = {
  id: 'reversal',
  name: 'Reversal',
  group: 'smoothness',
  why: 'It reverses while the page scrolls one way, which looks like a bug in a scrubbed motion.',
  checkMotion(instance, _context, figures) {
    const { motion, placed } = instance;
    // Stops that go to and fro are meant; an easing that swings past its end comes from timed motions.
    const straight = Object.values(motion.keyframes).every((list) => list.every((k) => ENDS.has(k.at)));
    if (!figures || figures.reversals === 0 || !straight || !isEased(motion)) return null;
    return {
      severity: 'warning',
      at: Math.max(0, placed.end),
      brief: figures.reversals === 1 ? 'turns back once' : `turns back ${figures.reversals} times`,
      sentence:
        'Its easing overshoots and comes back while the scroll goes on; that suits time-based motions.',
      fix: { label: 'Make it linear', motions: [straightened(motion)] },
    };
  },
};
