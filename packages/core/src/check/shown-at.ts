/** Motions that make something invisible just where it is needed. */
import { itemAt, perObject } from '../assert/index.ts';
import { isRangeless } from '../drivers/index.ts';
import type { Instance, CompiledTimeline } from '../motion/index.ts';
import { isWithin } from '../page/index.ts';
import type { ElementFacts, Layout, Px } from '../page/index.ts';
import { maxScrollFor } from './finding.ts';
import type { Fix } from './finding.ts';
import { opacityAt } from './opacity-at.ts';
import { findRangePoint } from './find-range-point.ts';

/** Fainter than this nobody finds it. */
const UNSEEN = 0.3;

export interface Unseen {
  /** the element inside that is needed there */
  target: number;
  at: Px;
  opacity: number;
  fix: Fix | null;
}

/** Elements of a kind, in the order of the page; looked up once for all motions. */
export const elementsThat = (isNeeded: (e: ElementFacts) => boolean) =>
  perObject((layout: Layout) => layout.elements.flatMap((e, i) => (isNeeded(e) ? [i] : [])));

/**
 * Of what stands inside the moved element, itself included, the first that is needed: where the page stands when somebody is brought to it, and
 * how little is seen of it there. Null where nothing is needed, or enough is seen.
 */
export function unseenAt(
  instance: Instance,
  timeline: CompiledTimeline,
  listNeeded: (layout: Layout) => readonly number[],
  findPlace: (e: ElementFacts) => Px,
): Unseen | null {
  const { motion, element, placed } = instance;
  const { elements } = timeline.layout;
  const { fixed, sticky } = itemAt(elements, element);
  if (!motion.keyframes.opacity || fixed || sticky) return null;
  if (placed.scroller !== 0 || placed.axis !== 'block' || isRangeless(motion.driver)) return null;
  const target = listNeeded(timeline.layout).find((i) => isWithin(timeline.layout, i, element));
  if (target === undefined) return null;
  const max = maxScrollFor(instance, timeline);
  const at = Math.min(max, Math.max(0, findPlace(itemAt(elements, target))));
  const opacity = opacityAt(timeline, element, at);
  if (opacity >= UNSEEN) return null;
  return { target, at, opacity, fix: at > 0 && at < max ? fixFor(instance, at, max) : null };
}

/** It is wholly there at `at`: what comes is there by then, what goes stays until then. */
function fixFor(instance: Instance, at: Px, max: Px): Fix {
  const { motion, placed } = instance;
  const { start, end } = motion.range;
  const comes = placed.end > at;
  const range = comes
    ? {
        start:
          placed.start < at - 80
            ? start
            : findRangePoint(Math.max(0, at - 200), start, instance, max, 'start'),
        end: findRangePoint(at, end, instance, max, 'end'),
      }
    : {
        start: findRangePoint(at, start, instance, max, 'start'),
        end: placed.end > at + 80 ? end : findRangePoint(Math.min(max, at + 200), end, instance, max, 'end'),
      };
  return { label: comes ? 'Be there by then' : 'Finish later', motions: [{ ...motion, range }] };
}
