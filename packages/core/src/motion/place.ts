/** Where a motion happens for each of its targets, with its stagger. */
import { itemAt } from '../assert/index.ts';
import { findMatches } from '../page/index.ts';
import type { PinnedLayout, Layout } from '../page/index.ts';
import { placeRange } from '../drivers/index.ts';
import { staggerSteps, stepPx } from '../timeline/index.ts';
import type { Placed, Unplaced } from '../timeline/index.ts';
import type { Motion } from './document.ts';

export interface TargetPlace {
  element: number;
  placed: Placed | Unplaced;
}

/** In page order. Shifting by the stagger moves start and end alike. */
export function listPlaces(motion: Motion, layout: Layout | PinnedLayout): TargetPlace[] {
  const targets = findMatches(layout, motion.targets.selector);
  const steps = motion.stagger ? staggerSteps(motion.stagger, targets, layout) : null;
  return targets.map((element, i) => {
    const placed = placeRange(motion.driver, motion.range, element, layout);
    if (!steps || !motion.stagger || 'reason' in placed) return { element, placed };
    const by = itemAt(steps, i) * stepPx(motion.stagger.step, placed.end - placed.start, layout);
    return { element, placed: { ...placed, start: placed.start + by, end: placed.end + by } };
  });
}
