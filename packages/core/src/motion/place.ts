/** Where a motion happens for each of its targets, with its stagger. */
import { itemAt } from '../assert/index.ts';
import { findMatches } from '../page/index.ts';
import type { PinnedLayout, Layout } from '../page/index.ts';
import { placeRange } from '../drivers/index.ts';
import { isInPhases, laterPoint, staggerSteps, stepPx } from '../timeline/index.ts';
import type { Placed, Range, Unplaced } from '../timeline/index.ts';
import type { Motion } from './document.ts';

export interface TargetPlace {
  element: number;
  placed: Placed | Unplaced;
}

/** A range of which both ends come so many per cent of their phases later. */
const laterInPhases = ({ start, end }: Range, percent: number): Range => ({
  start: laterPoint(start, percent, 'start'),
  end: laterPoint(end, percent, 'end'),
});

/** In page order. Shifting by the stagger moves start and end alike; by percentages of phases each as its phase is long. */
export function listPlaces(motion: Motion, layout: Layout | PinnedLayout): TargetPlace[] {
  const targets = findMatches(layout, motion.targets.selector);
  const steps = motion.stagger ? staggerSteps(motion.stagger, targets, layout) : null;
  return targets.map((element, i) => {
    const inPhases = steps && motion.stagger && isInPhases(motion.stagger);
    const range = inPhases
      ? laterInPhases(motion.range, itemAt(steps, i) * Number.parseFloat(motion.stagger!.step))
      : motion.range;
    const placed = placeRange(motion.driver, range, element, layout);
    if (!steps || !motion.stagger || inPhases || 'reason' in placed) return { element, placed };
    const by = itemAt(steps, i) * stepPx(motion.stagger.step, placed.end - placed.start, layout);
    return { element, placed: { ...placed, start: placed.start + by, end: placed.end + by } };
  });
}
