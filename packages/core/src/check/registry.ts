/** All checks. A new one is a file in `checks/` and a line here. */
import { isEstimated } from '../page/index.ts';
import { present } from '../assert/index.ts';
import type { CheckContext, CheckDefinition, Finding } from './finding.ts';
import { anchorUnseen } from './checks/anchor-unseen.ts';
import { autoInsets } from './checks/auto-insets.ts';
import { marqueeHole } from './checks/marquee-hole.ts';
import { caughtByScroller } from './checks/caught-by-scroller.ts';
import { chatter } from './checks/chatter.ts';
import { counterMotion } from './checks/counter-motion.ts';
import { delayOnScrub } from './checks/delay-on-scrub.ts';
import { depthGap } from './checks/depth-gap.ts';
import { easedScrub } from './checks/eased-scrub.ts';
import { emptyRange } from './checks/empty-range.ts';
import { fixedView } from './checks/fixed-view.ts';
import { flashing } from './checks/flashing.ts';
import { flat3d } from './checks/flat-3d.ts';
import { flattened3d } from './checks/flattened-3d.ts';
import { focusUnseen } from './checks/focus-unseen.ts';
import { triggerUnreachable } from './checks/trigger-unreachable.ts';
import { hiddenAtLoad } from './checks/hidden-at-load.ts';
import { hiddenWithoutMotion } from './checks/hidden-without-motion.ts';
import { hotSpot } from './checks/hot-spot.ts';
import { introAgainstScroll } from './checks/intro-against-scroll.ts';
import { jump } from './checks/jump.ts';
import { kink } from './checks/kink.ts';
import { largeBlur } from './checks/large-blur.ts';
import { lateFrames } from './checks/late-frames.ts';
import { layerMemory } from './checks/layer-memory.ts';
import { layoutProperty } from './checks/layout-property.ts';
import { longLag } from './checks/long-lag.ts';
import { missingFill } from './checks/missing-fill.ts';
import { neverFinishes } from './checks/never-finishes.ts';
import { noKeys } from './checks/no-keys.ts';
import { noPause } from './checks/no-pause.ts';
import { noReducedForm } from './checks/no-reduced-form.ts';
import { overshootClamped } from './checks/overshoot-clamped.ts';
import { perFrameFactor } from './checks/per-frame-factor.ts';
import { pageTooWide } from './checks/page-too-wide.ts';
import { pinShorterThanScene } from './checks/pin-shorter-than-scene.ts';
import { pinTooHigh } from './checks/pin-too-high.ts';
import { reversal } from './checks/reversal.ts';
import { shorthandOrder } from './checks/shorthand-order.ts';
import { sidewaysScroll } from './checks/sideways-scroll.ts';
import { slowSettle } from './checks/slow-settle.ts';
import { startsPartWay } from './checks/starts-part-way.ts';
import { stepTooLarge } from './checks/step-too-large.ts';
import { pageMovesToo } from './checks/page-moves-too.ts';
import { takesTheScroll } from './checks/takes-the-scroll.ts';
import { thinOverPage } from './checks/thin-over-page.ts';
import { tooFewFrames } from './checks/too-few-frames.ts';
import { tooManyLayers } from './checks/too-many-layers.ts';
import { twoWriters } from './checks/two-writers.ts';
import { unseenWhereRead } from './checks/unseen-where-read.ts';
import { movesWithBars } from './checks/moves-with-bars.ts';
import { noViewportMeta } from './checks/no-viewport-meta.ts';
import { pinUnderBars } from './checks/pin-under-bars.ts';
import { slowListeners } from './checks/slow-listeners.ts';
import { smallTargets } from './checks/small-targets.ts';
import { videoKeyFrames } from './checks/video-key-frames.ts';
import { videoLate } from './checks/video-late.ts';
import { misspelt } from './checks/misspelt.ts';
import { zeroDuration } from './checks/zero-duration.ts';

export const CHECKS: readonly CheckDefinition[] = [
  neverFinishes,
  startsPartWay,
  emptyRange,
  unseenWhereRead,
  hiddenAtLoad,
  videoLate,
  thinOverPage,
  fixedView,
  triggerUnreachable,
  twoWriters,
  pageMovesToo,
  introAgainstScroll,
  chatter,
  delayOnScrub,
  autoInsets,
  caughtByScroller,
  sidewaysScroll,
  pageTooWide,
  noViewportMeta,
  pinShorterThanScene,
  pinTooHigh,
  pinUnderBars,
  movesWithBars,
  depthGap,
  flat3d,
  flattened3d,
  missingFill,
  misspelt,
  shorthandOrder,
  zeroDuration,
  marqueeHole,
  takesTheScroll,
  slowListeners,
  focusUnseen,
  anchorUnseen,
  tooFewFrames,
  stepTooLarge,
  videoKeyFrames,
  jump,
  kink,
  easedScrub,
  reversal,
  longLag,
  perFrameFactor,
  overshootClamped,
  slowSettle,
  layoutProperty,
  largeBlur,
  hotSpot,
  lateFrames,
  layerMemory,
  tooManyLayers,
  noReducedForm,
  counterMotion,
  flashing,
  noPause,
  noKeys,
  smallTargets,
  hiddenWithoutMotion,
];

export const checkById = (id: string): CheckDefinition | undefined => CHECKS.find((c) => c.id === id);

const ESTIMATED = 'Its place is estimated: not all of the page was laid out when it was measured.';

/** Findings of these checks, in their order and the document's. One per check and motion. */
export function findFindings(context: CheckContext, checks: readonly CheckDefinition[] = CHECKS): Finding[] {
  const figures = new Map(context.trial?.figures.map((f) => [`${f.motion} ${f.element}`, f]));
  const found: Finding[] = [];
  for (const check of checks) {
    const seen = new Set<string>();
    for (const instance of check.checkMotion ? context.timeline.instances : []) {
      const { motion, element } = instance;
      if (seen.has(motion.id)) continue;
      const one = present(check.checkMotion)(
        instance,
        context,
        figures.get(`${motion.id} ${element}`) ?? null,
      );
      if (!one) continue;
      seen.add(motion.id);
      found.push({ ...one, check: check.id, about: motion.id, element });
    }
    for (const { element = -1, ...one } of check.checkDocument?.(context) ?? [])
      found.push({ ...one, check: check.id, element });
  }
  // One cause is one finding.
  const told = new Set(
    found.flatMap((f) => (f.about ? (checkById(f.check)?.covers ?? []).map((id) => `${id} ${f.about}`) : [])),
  );
  const { layout } = context.timeline;
  return found
    .filter((f) => !told.has(`${f.check} ${f.about}`))
    .map((f) => (isEstimated(layout, f.element) ? { ...f, sentence: `${f.sentence} ${ESTIMATED}` } : f));
}
