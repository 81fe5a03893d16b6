/** Timed parts as CSS: on a trigger's trigger, or at page load with a hand-over to what the scroll moves. */
import { present } from '../../assert/index.ts';
import { findMatches } from '../../page/index.ts';
import type { PinnedLayout } from '../../page/index.ts';
import { unrolledMotion } from '../../motion/index.ts';
import type { Motion, MotionDocument, Played } from '../../motion/index.ts';
import { isAtLoad, isScrubbed, isTriggered } from '../../drivers/index.ts';
import { withWholeEasing } from '../../value/index.ts';
import type { Entry } from './entry.ts';
import { triggerActions, triggerName } from './trigger-css.ts';
import { keyframesCss } from './keyframes-css.ts';
import type { Condition } from './piece.ts';
import { stepSize, stepped } from './stagger-css.ts';
import type { Counter } from './step-counters.ts';

interface TimedContext {
  document: MotionDocument;
  held: PinnedLayout;
  names: ReadonlyMap<string, string>;
  /** of keyframes, which may differ under a media condition */
  blockNames: ReadonlyMap<string, string>;
  triggerNames: ReadonlyMap<string, string>;
  /** of staggers, the property that numbers their targets */
  counters: ReadonlyMap<string, Counter>;
  times: ReadonlyMap<string, Played>;
}

/** A timed part; with reduced motion it stands at its end at once, unless it is kept. */
export function timedEntries(motion: Motion, condition: Condition, c: TimedContext): Entry[] {
  const reducedMotion = condition === 'reduced-motion';
  const { driver } = motion;
  const trigger = isTriggered(driver) ? c.document.triggers.find((g) => g.id === driver.trigger) : null;
  const played = c.times.get(motion.id);
  if (!played || (isTriggered(driver) && !trigger?.on)) return [];
  const name = present(c.names.get(motion.id));
  const blockName = present(c.blockNames.get(motion.id));
  const attached = trigger
    ? `${triggerName(present(c.triggerNames.get(trigger.id)))} ${triggerActions(trigger)}`
    : 'none';
  const step = motion.stagger?.step.endsWith('ms') ? motion.stagger.step : null;
  const size = step === null ? null : stepSize(motion, step, name);
  const later = size && stepped(`${played.start}ms`, size.step, present(c.counters.get(motion.id)));
  const tuned = size?.tuned ?? [];
  const timed = { start: played.start, duration: played.end - played.start, trigger: attached, later };
  // What only fades anyway is the same for all readers.
  const fadeOnly =
    reducedMotion &&
    motion.reducedMotion === 'fade' &&
    Object.keys(motion.keyframes).some((p) => p !== 'opacity');
  const only = fadeOnly ? (p: string) => p === 'opacity' : () => true;
  const entry = (m: Motion, suffix: string, keep: (p: string) => boolean): Entry[] => {
    const blocks = keyframesCss(
      m,
      blockName + suffix + (fadeOnly ? '-still' : ''),
      (p) => keep(p) && only(p),
    );
    return blocks.length ? [{ motion: m, blocks, timeline: 'auto', range: 'normal', tuned, timed }] : [];
  };
  if (trigger) return entry(motion, '', () => true);
  return introParts(motion, c.document, c.held).flatMap((p) => entry(p.motion, p.suffix, p.keeps));
}

/** An intro, in two where the scroll moves some of its properties too: those it hands over. */
export function introParts(
  motion: Motion,
  document: MotionDocument,
  layout: PinnedLayout,
): { motion: Motion; suffix: string; keeps(property: string): boolean }[] {
  const taken = scrubbedBeside(motion, document, layout);
  if (taken.size === 0 || handsOver(motion)) return [{ motion, suffix: '', keeps: () => true }];
  return [
    { motion, suffix: '-alone', keeps: (p) => !taken.has(p) },
    { motion: handingOver(motion), suffix: '-intro', keeps: (p) => taken.has(p) },
  ];
}

/** It lets go of everything by itself, as an intro does that was imported. */
const handsOver = (motion: Motion): boolean =>
  motion.fill === 'backwards' &&
  motion.easing === 'linear' &&
  unrolledMotion(motion) === motion &&
  Object.values(motion.keyframes).every((list) => list.every((k) => k.at !== '100%'));

/** Properties of an intro that the scroll also moves, on any of its elements. */
function scrubbedBeside(intro: Motion, document: MotionDocument, layout: PinnedLayout): Set<string> {
  const own = new Set(findMatches(layout, intro.targets.selector));
  const taken = new Set<string>();
  for (const m of document.motions) {
    if (!m.on || !isScrubbed(m.driver) || !findMatches(layout, m.targets.selector).some((e) => own.has(e)))
      continue;
    for (const p of Object.keys(m.keyframes)) if (p in intro.keyframes) taken.add(p);
  }
  return taken;
}

/**
 * Without its last stop an intro runs to whatever the scroll shows just then, at any scroll offset; then it lets go, and nothing is seen of
 * the change. It comes after the motions that the scroll scrubs.
 */
const handedOver = new WeakMap<Motion, Motion>();
function handingOver(repeated: Motion): Motion {
  const known = handedOver.get(repeated);
  if (known) return known;
  const intro = unrolledMotion(repeated);
  const made: Motion = {
    ...intro,
    fill: 'backwards',
    easing: 'linear',
    keyframes: Object.fromEntries(
      Object.entries(intro.keyframes).map(([property, keyframes]) => [
        property,
        // The easing over the whole range needs both ends, so it is laid on the stops before the last one goes.
        withWholeEasing(keyframes, intro.easing).filter((s) => s.at !== '100%'),
      ]),
    ),
  };
  handedOver.set(repeated, made);
  return made;
}

/** Ids of the parts that were written, by trigger. */
export function splitParts(entries: readonly Entry[]): Map<string, string[]> {
  const out = new Map<string, string[]>();
  for (const { motion } of entries)
    if (isTriggered(motion.driver))
      out.set(motion.driver.trigger, [...(out.get(motion.driver.trigger) ?? []), motion.id]);
  return out;
}

export const introsLast = (list: readonly Entry[]): Entry[] => [
  ...list.filter((e) => !isAtLoad(e.motion.driver)),
  ...list.filter((e) => isAtLoad(e.motion.driver)),
];
