/**
 * The one writer of CSS. The preview applies its pieces as they are; the hand-off joins the same pieces (see join-css.ts).
 */
import type { HeldLayout, Layout } from '../page/index.ts';
import { withPins } from '../page/index.ts';
import { timesOf } from '../motion/index.ts';
import type { Motion, MotionDocument, Pin } from '../motion/index.ts';
import { isTimed } from '../timeline/index.ts';
import { adjustmentPieces } from './adjustment-css.ts';
import { piecesOf } from './element-css.ts';
import type { Entry } from './entry.ts';
import { gatePieces } from './gate-css.ts';
import { keptPieces } from './kept-css.ts';
import { keyframesCss } from './keyframes-css.ts';
import { writtenSelector } from './marks.ts';
import { slugs } from './names.ts';
import type { Condition, Piece, Plan, WriterNote, Written } from './piece.ts';
import { pinPieces } from './pin-css.ts';
import { registrations } from './property-css.ts';
import { staggerPieces, stepCss, steppedRange } from './stagger-css.ts';
import { partsOf, timedEntries } from './timed-css.ts';
import { NamedTimelines, timelineOf } from './timeline-css.ts';
import type { TimelineCss } from './timeline-css.ts';

/**
 * CSS of the motions that are on, for one condition. `others` are layouts of the same page at further viewport sizes: a form
 * that would be wrong at one of them is not used.
 */
export function writeCss(
  document: MotionDocument,
  layout: Layout,
  condition: Condition,
  others: readonly Layout[] = [],
): Written {
  const notes: WriterNote[] = [];
  const names = slugs(document.motions);
  const pinNames = slugs(document.pins);
  const pins = new Map(document.pins.map((pin) => [pin.id, { pin, name: pinNames.get(pin.id)! }]));
  const gateNames = slugs(document.gates);
  const times = timesOf(document.motions);
  const shared = new NamedTimelines();
  const steps: Piece[] = [];
  const still = condition === 'reduced-motion';
  const layouts = [layout, ...others].map((l) => withPins(l, document.pins));
  const held = layouts[0]!;
  const entries = document.motions.flatMap((motion): Entry[] => {
    if (!motion.on || (still && motion.reducedMotion === 'drop')) return [];
    // Nothing is held for readers who ask for reduced motion, and a pin that cannot hold has no timeline.
    const { driver } = motion;
    if (motion.stagger) steps.push(...staggerPieces(motion, `lv-${names.get(motion.id)!}`, held));
    if (driver.kind === 'pin' && (still || !held.holds.some((h) => h.id === driver.pin))) return [];
    if (driver.kind === 'belt') return [];
    if (isTimed(driver)) return timedEntries(motion, condition, { document, held, names, gateNames, times });
    const written = entryOf(motion, names.get(motion.id)!, condition, layouts, pins);
    if (written.named) shared.add(written.named.owner, written.named);

    notes.push(...written.notes);
    return written.blocks.length ? [written] : [];
  });
  return {
    pieces: [
      ...registrations(entries.map((e) => e.motion)),
      ...keptPieces(held),
      ...adjustmentPieces(document, held),
      ...(still ? [] : pinPieces(document, layouts)),
      ...shared.pieces(held),
      ...steps,
      ...gatePieces(document.gates, gateNames, partsOf(entries), held),
      ...piecesOf(entries, held),
    ],
    plan: {
      follow: still ? [] : entries.flatMap((e) => followedBy(e, held)),
      signals: entries.flatMap((e) => signalsOf(e, held)),
      belts: still ? [] : document.motions.flatMap((m) => beltOf(m, held)),
    },
    notes,
  };
}

/** Readers who ask for reduced motion get no following: it would move after the hand has stopped. */
function followedBy({ motion, blocks }: Entry, layout: HeldLayout): Plan['follow'] {
  if (motion.follow.kind === 'none') return [];
  const selector = writtenSelector(motion.targets.selector, layout);
  return [{ motion: motion.id, names: blocks.map((b) => b.name), selector, how: motion.follow }];
}

/** A custom property whose name begins with “signal” is told to the page’s scripts. */
function signalsOf({ motion }: Entry, layout: HeldLayout): Plan['signals'] {
  const selector = writtenSelector(motion.targets.selector, layout);
  return Object.keys(motion.keyframes)
    .filter((p) => /^--signal\b/.test(p))
    .map((property) => ({ motion: motion.id, property, selector }));
}

/** Nothing in CSS moves at a speed that listens to the scroll: a belt is the script’s alone. */
function beltOf({ id, on, driver, targets, follow }: Motion, layout: HeldLayout): Plan['belts'] {
  if (!on || driver.kind !== 'belt') return [];
  const { axis, speed, turns, push, rests } = driver;
  const selector = writtenSelector(targets.selector, layout);
  return [{ motion: id, selector, axis, speed, turns, push, rests, how: follow }];
}

interface OneWritten extends Entry, TimelineCss {
  key: string;
  layouts: readonly HeldLayout[];
}

/** What was written last for a motion. While one motion is dragged all others are the same objects and need no second look. */
const last = new WeakMap<Motion, OneWritten>();

const pinKey = ({ driver }: Motion, pins: ReadonlyMap<string, { pin: Pin; name: string }>): string =>
  driver.kind === 'pin' ? JSON.stringify(pins.get(driver.pin)) : '';

function entryOf(
  motion: Motion,
  name: string,
  condition: Condition,
  layouts: readonly HeldLayout[],
  pins: ReadonlyMap<string, { pin: Pin; name: string }>,
): OneWritten {
  const key = `${condition} ${name} ${pinKey(motion, pins)}`;
  const known = last.get(motion);
  if (
    known?.key === key &&
    known.layouts.length === layouts.length &&
    known.layouts.every((l, i) => l === layouts[i])
  )
    return known;
  const fadeOnly = condition === 'reduced-motion' && motion.reducedMotion === 'fade';
  const blocks = keyframesCss(
    motion,
    `lv-${name}${fadeOnly ? '-still' : ''}`,
    fadeOnly ? (p) => p === 'opacity' : undefined,
  );
  const written = timelineOf(motion, name, layouts, pins);
  const range = motion.stagger
    ? steppedRange(written.range, stepCss(motion, layouts[0]!), `lv-${name}`)
    : written.range;
  const fresh = { motion, key, layouts, blocks, timed: null, ...written, range };
  last.set(motion, fresh);
  return fresh;
}
