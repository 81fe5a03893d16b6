/** What the script plays, from what was written as CSS. */
import { itemAt, present } from '../../assert/index.ts';
import { isEndless, isPointed, isTriggered, refersTo } from '../../drivers/index.ts';
import { findMatches } from '../../page/index.ts';
import type { PinnedLayout } from '../../page/index.ts';
import { computeTimes } from '../../motion/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { staggerSteps } from '../../timeline/index.ts';
import { SEQUENCE, VIDEO } from '../../value/index.ts';
import { DEFAULT_PREFIX, cssNames } from '../selectors/names.ts';
import type { Entry } from '../css/entry.ts';
import { writtenSelector } from '../selectors/marks.ts';
import type { Plan } from '../css/piece.ts';
import { listKeyframes } from './keyframe-lists.ts';
import type { CssDraft } from '../css/write-css.ts';

export function makePlan({ document, entries, layouts, condition, prefix }: CssDraft): Plan {
  const held = itemAt(layouts, 0);
  const reducedMotion = condition === 'reduced-motion';
  const told = [
    ...entries.map((e) => e.motion),
    ...(reducedMotion ? [] : document.motions.filter(isByPointer)),
  ];
  return {
    // Readers who ask for reduced motion get no following: it would move after the hand has stopped.
    damping: reducedMotion ? [] : entries.flatMap((e) => dampedBy(e, held)),
    signals: told.flatMap((m) => listNumbers(m, /^--signal\b/, held).map((s) => withThresholds(s, m))),
    videos: reducedMotion ? [] : told.flatMap((m) => listNumbers(m, IS_VIDEO, held)),
    sequences: told.flatMap((m) => listSequences(m, held, reducedMotion)),
    texts: reducedMotion ? [] : listTexts(document, held),
    travels: reducedMotion ? [] : entries.flatMap((e) => travelOfStrip(e, document, held)),
    marquees: reducedMotion ? [] : document.motions.flatMap((m) => makeMarquee(m, held)),
    pointers: reducedMotion ? [] : document.motions.flatMap((m) => makePointer(m, held)),
    events: document.motions.flatMap((m) => makeEvent(m, document, held, { prefix, reducedMotion })),
  };
}

const isByPointer = (m: Motion): boolean => m.on && isPointed(m.driver);

function dampedBy({ motion, blocks }: Entry, layout: PinnedLayout): Plan['damping'] {
  if (motion.damping.kind === 'none') return [];
  const selector = writtenSelector(motion.targets.selector, layout);
  return [{ motion: motion.id, names: blocks.map((b) => b.name), selector, damping: motion.damping }];
}

const IS_VIDEO = new RegExp(`^${VIDEO}$`);

/** Custom properties whose numbers the script reads: those called “signal” are told to the page’s scripts, that of a video is its time. */
function listNumbers(motion: Motion, isIt: RegExp, layout: PinnedLayout): Plan['videos'] {
  const selector = writtenSelector(motion.targets.selector, layout);
  return Object.keys(motion.keyframes)
    .filter((p) => isIt.test(p))
    .map((property) => ({ motion: motion.id, property, selector }));
}

/** What the adjustments take apart for motions that play. */
export const listTexts = (document: MotionDocument, layout: PinnedLayout): Plan['texts'] =>
  document.adjustments.flatMap(({ selector, split, for: owners }) => {
    const motion = document.motions.find((m) => m.on && owners.includes(m.id));
    return split && motion
      ? [{ motion: motion.id, selector: writtenSelector(selector, layout), ...split }]
      : [];
  });

function withThresholds(signal: Plan['signals'][number], motion: Motion): Plan['signals'][number] {
  const own = motion.thresholds?.filter((t) => t.property === signal.property) ?? [];
  const thresholds = own.map(({ property: _, ...threshold }) => threshold);
  return thresholds.length ? { ...signal, thresholds } : signal;
}

/** The pictures that a motion goes through, once it is known which they are. */
function listSequences(motion: Motion, layout: PinnedLayout, still: boolean): Plan['sequences'] {
  const { files } = motion;
  if (files === undefined) return [];
  return listNumbers(motion, IS_SEQUENCE, layout).map((n) => ({ ...n, files, ...(still ? { still } : {}) }));
}
const IS_SEQUENCE = new RegExp(`^${SEQUENCE}$`);

/** The motion that moves a strip as far as its pin’s distance was made for. */
function travelOfStrip({ motion }: Entry, document: MotionDocument, layout: PinnedLayout): Plan['travels'] {
  const { driver, targets } = motion;
  const pin = document.pins.find((p) => refersTo(driver, p.id));
  if (
    pin?.distance.kind !== 'travel' ||
    pin.distance.strip !== targets.selector ||
    !motion.keyframes.translate
  )
    return [];
  return [{ motion: motion.id, selector: writtenSelector(targets.selector, layout) }];
}

/** Nothing in CSS moves at a speed that listens to the scroll: a marquee is the script’s alone. */
export function makeMarquee(
  { id, on, driver, targets, damping }: Motion,
  layout: PinnedLayout,
): Plan['marquees'] {
  if (!on || !isEndless(driver)) return [];
  const { axis, speed, reverses, push, pauses } = driver;
  const selector = writtenSelector(targets.selector, layout);
  return [{ motion: id, selector, axis, speed, reverses, push, pauses, damping: damping }];
}

/** CSS does not know where the pointer is either. */
export function makePointer(motion: Motion, layout: PinnedLayout): Plan['pointers'] {
  const { id, on, driver, targets, composite, damping } = motion;
  if (!on || !isPointed(driver)) return [];
  const { axis, rest, touch, share } = driver;
  const areas: Record<string, string | null> = { viewport: null, self: '' };
  const over = driver.over in areas ? (areas[driver.over] ?? null) : writtenSelector(driver.over, layout);
  const selector = writtenSelector(targets.selector, layout);
  const keyframes = listKeyframes(motion);
  return [
    {
      ...{ motion: id, selector, axis, over, rest, touch },
      ...(share === undefined ? {} : { share }),
      ...{ keyframes, composite, damping },
    },
  ];
}

/** The trigger of a motion that waits for an event; null for any other motion. */
export function findEventTrigger({ driver }: Motion, { triggers }: Pick<MotionDocument, 'triggers'>) {
  const trigger = isTriggered(driver) ? triggers.find((g) => g.id === driver.trigger) : undefined;
  return trigger?.event === undefined ? null : { ...trigger, event: trigger.event };
}

/** CSS knows no events either. */
export function makeEvent(
  motion: Motion,
  document: MotionDocument,
  layout: PinnedLayout,
  {
    prefix = DEFAULT_PREFIX,
    reducedMotion = false,
  }: { prefix?: string | undefined; reducedMotion?: boolean } = {},
): Plan['events'] {
  const trigger = findEventTrigger(motion, document);
  if (!motion.on || !trigger?.on) return [];
  const time = computeTimes(document.motions).get(motion.id);
  if (!time) return [];
  const { id, targets, fill, composite, repeat, stagger } = motion;
  const { event, plays, back } = trigger;
  const keeps = motion.reducedMotion === 'keep';
  const isStill = reducedMotion && !keeps;
  const step = Number.parseFloat(stagger?.step ?? '0');
  const late = stagger
    ? staggerSteps(stagger, findMatches(layout, targets.selector), layout).map((n) => n * step)
    : [];
  return [
    {
      motion: id,
      name: present(cssNames(document.motions, { prefix }).get(id)),
      subject: writtenSelector(trigger.subject, layout),
      ...{ event, plays, back },
      selector: writtenSelector(targets.selector, layout),
      keyframes: listKeyframes({ ...motion, repeat: undefined }),
      delay: isStill ? 0 : time.start,
      duration: isStill ? 0 : (time.end - time.start) / (repeat?.count ?? 1),
      ...(late.length && !isStill ? { late } : {}),
      ...{ count: repeat?.count ?? 1, alternate: repeat?.alternate ?? false },
      ...{ fill, composite, keeps },
    },
  ];
}

/** Whether the browser does everything by itself. */
export const isEmptyPlan = (plan: Plan): boolean => Object.values(plan).every((list) => list.length === 0);
