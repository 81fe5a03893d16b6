import { itemAt } from '../../assert/index.ts';
import type { CheckDefinition } from '../finding.ts';

/** Fades, colours and small shifts do no harm, px. Chosen by us. */
const LONG = 100;
const THIN = 24;
const SPINS = /^(?:rotate|transform)$/;

export const noReducedForm: CheckDefinition = {
  id: 'no-reduced-form',
  name: 'No form for reduced motion',
  group: 'care',
  why: 'Readers whom motion makes ill ask their system for less of it; this one keeps moving all the same.',
  checkMotion({ motion, element, placed }, { timeline }, figures) {
    if (!figures || motion.reducedMotion !== 'keep') return null;
    const { width, height } = itemAt(timeline.layout.elements, element).box;
    // A line that grows tells how far one has come, and makes nobody ill.
    if (Math.min(width, height) < THIN) return null;
    const spins = Object.keys(motion.keyframes).some((p) => SPINS.test(p));
    if (figures.travel < LONG && !spins) return null;
    return {
      severity: 'info',
      at: Math.max(0, placed.start),
      brief: 'moves for everybody',
      sentence: `It ${figures.travel < 1 ? 'turns' : `moves ${Math.round(figures.travel)} px`} also for readers who ask for reduced motion.`,
      fix: {
        label: motion.keyframes.opacity ? 'Only fade for them' : 'Leave it out for them',
        motions: [{ ...motion, reducedMotion: motion.keyframes.opacity ? 'fade' : 'drop' }],
      },
    };
  },
};
