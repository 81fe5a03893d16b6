/** Where a motion happens for each of its targets, with its stagger. */
import { matchesOf } from '../page/index.ts';
import type { HeldLayout, Layout } from '../page/index.ts';
import { placeRange, staggerSteps, stepPx } from '../timeline/index.ts';
import type { Driver, Placed, Range, ScrubbedDriver, Unplaced } from '../timeline/index.ts';
import type { Motion } from './document.ts';

export interface TargetPlace {
  element: number;
  placed: Placed | Unplaced;
}

/** A belt runs all the time; its place is where its strip can be seen. */
const SEEN: { driver: ScrubbedDriver; range: Range } = {
  driver: { kind: 'passage', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
  range: { start: 'cover 0%', end: 'cover 100%' },
};
const placing = (motion: { driver: Driver; range: Range }) =>
  motion.driver.kind === 'belt' ? SEEN : (motion as typeof SEEN);

/** In page order. Shifting by the stagger moves start and end alike. */
export function placesOf(motion: Motion, layout: Layout | HeldLayout): TargetPlace[] {
  const targets = matchesOf(layout, motion.targets.selector);
  const steps = motion.stagger ? staggerSteps(motion.stagger.order, targets, layout) : null;
  return targets.map((element, i) => {
    const { driver, range } = placing(motion);
    const placed = placeRange(driver, range, element, layout);
    if (!steps || !motion.stagger || 'reason' in placed) return { element, placed };
    const by = steps[i]! * stepPx(motion.stagger.step, placed.end - placed.start, layout);
    return { element, placed: { ...placed, start: placed.start + by, end: placed.end + by } };
  });
}
