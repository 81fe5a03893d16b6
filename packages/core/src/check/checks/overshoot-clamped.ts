import { itemAt } from '../../assert/index.ts';
import { findCostClass } from '../../budget/index.ts';
import type { CheckDefinition } from '../finding.ts';

/** Beyond its end by less than this share it is not seen. Chosen by us. */
const SEEN = 0.03;

export const overshootClamped: CheckDefinition = {
  id: 'overshoot-clamped',
  name: 'Overshoot of a clamped property',
  group: 'damping',
  why: 'A spring overshoots its end, but progress stops there, so the motion freezes and comes back: a stutter.',
  checkMotion({ motion, placed }, { timeline }) {
    const { damping } = motion;
    if (damping.kind !== 'spring' || damping.ratio >= 1) return null;
    const past = Math.exp((-Math.PI * damping.ratio) / Math.sqrt(1 - damping.ratio ** 2));
    const max = itemAt(timeline.layout.scrollers, placed.scroller).max[placed.axis];
    const clamped = Object.keys(motion.keyframes).filter(
      (p) => p === 'opacity' || findCostClass(p) === 'filter' || findCostClass(p) === 'paint',
    );
    if (past < SEEN || clamped.length === 0 || placed.end > max) return null;
    return {
      severity: 'warning',
      at: Math.max(0, placed.start),
      brief: 'overshoot is clipped',
      sentence: `Its spring swings ${Math.round(100 * past)} % past its end, where ${clamped.join(' and ')} cannot follow.`,
      fix: {
        label: 'Let it arrive without a swing',
        motions: [{ ...motion, damping: { ...damping, ratio: 1 } }],
      },
    };
  },
};
