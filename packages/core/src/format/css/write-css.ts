/**
 * The one writer of CSS. The preview applies its pieces as they are; the hand-off joins the same pieces (see join-css.ts).
 */
import { itemAt, present } from '../../assert/index.ts';
import type { PinnedLayout, Layout } from '../../page/index.ts';
import { withPins } from '../../page/index.ts';
import { computeTimes, unrolledMotion } from '../../motion/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { asPin, isPointed, isRangeless, isTimed, refersTo, driverSelectors } from '../../drivers/index.ts';
import { adjustmentPieces } from './adjustment-css.ts';
import { absent, makePieces } from './element-css.ts';
import type { Entry } from './entry.ts';
import { triggerPieces } from './trigger-css.ts';
import { keyframesCss } from './keyframes-css.ts';
import { DEFAULT_PREFIX, cssNames, ownerNames } from '../selectors/names.ts';
import type { Condition, Piece, WriterNote, Written } from './piece.ts';
import { pinPieces, travelDoubt } from './pin-css.ts';
import { findEventTrigger, makePlan } from '../script/plan.ts';
import { registrations } from './property-css.ts';
import { staggerPieces, stepCss, stepSize, steppedRange } from './stagger-css.ts';
import { stepCounters } from './step-counters.ts';
import type { Counter } from './step-counters.ts';
import { splitParts, timedEntries } from './timed-css.ts';
import { trackClasses } from '../html/patch.ts';
import { NamedTimelines, makeTimeline } from './timeline-css.ts';
import type { Carriers, NamedPin, TimelineCss } from './timeline-css.ts';

/** A document written under a media condition, beside the same document without it. */
export interface Beside {
  base: MotionDocument;
  /** what the names of differing keyframes get added */
  suffix: string;
}

/** A document’s entries, before those that share elements are joined. */
export interface CssDraft {
  document: MotionDocument;
  layouts: PinnedLayout[];
  condition: Condition;
  prefix: string;
  triggerNames: ReadonlyMap<string, string>;
  entries: Entry[];
  shared: NamedTimelines;
  steps: Piece[];
  notes: WriterNote[];
  /** motions that something else than CSS plays; only what they register is written */
  apart: readonly Motion[];
  /** one step of a stagger, as CSS */
  makeStep(motion: Motion): string;
}

/**
 * CSS of the motions that are on, for one condition. `others` are layouts of the same page at further viewport sizes: a form
 * that would be wrong at one of them is not used.
 */
export const writeCss = (
  document: MotionDocument,
  layout: Layout,
  condition: Condition,
  drafting: Pick<Drafting, 'others' | 'prefix'> = {},
): Written => {
  const draft = draftCss(document, layout, condition, drafting);
  return { pieces: piecesOfDraft(draft), plan: makePlan(draft), notes: draft.notes };
};

/** What a draft is made with besides its document. */
export interface Drafting {
  /** the page at other sizes */
  others?: readonly Layout[];
  /** the document without the conditions that hold here */
  beside?: Beside;
  /** of its names */
  prefix?: string | undefined;
  /** motions that are written elsewhere */
  isApart?: ((m: Motion) => boolean) | undefined;
}

/** Names of everything in the code. */
function nameAll(document: MotionDocument, layout: PinnedLayout, prefix: string) {
  const names = cssNames(document.motions, { prefix, taken: layout.keyframeNames });
  const pinNames = cssNames(document.pins, { prefix });
  const tracks = trackClasses(document, prefix);
  const pins = new Map<string, NamedPin>(
    document.pins.map((pin) => [
      pin.id,
      { pin, name: present(pinNames.get(pin.id)), track: present(tracks.get(pin.id)) },
    ]),
  );
  const carriers = document.motions.flatMap((m) => driverSelectors(m.driver));
  return {
    names,
    pins,
    triggerNames: cssNames(document.triggers, { prefix }),
    owners: ownerNames(carriers, { prefix, taken: [...names.values()] }),
    counters: stepCounters(document, layout, names, prefix),
  };
}

export function draftCss(
  document: MotionDocument,
  layout: Layout,
  condition: Condition,
  { others = [], beside, prefix = DEFAULT_PREFIX, isApart = () => false }: Drafting = {},
): CssDraft {
  const notes: WriterNote[] = [];
  const layouts = [layout, ...others].map((l) => withPins(l, document.pins));
  const held = itemAt(layouts, 0);
  const { names, triggerNames, pins, owners, counters } = nameAll(document, held, prefix);
  const times = computeTimes(document.motions);
  const shared = new NamedTimelines();
  const steps: Piece[] = [];
  const reducedMotion = condition === 'reduced-motion';
  const before = new Map(beside?.base.motions.map((m) => [m.id, m]));
  const blockNames = new Map(
    document.motions.map((m) => {
      const differs = beside && m.keyframes !== before.get(m.id)?.keyframes;
      return [m.id, present(names.get(m.id)) + (differs ? beside.suffix : '')];
    }),
  );
  const entries = document.motions.flatMap((motion): Entry[] => {
    if (!motion.on || isApart(motion) || (reducedMotion && motion.reducedMotion === 'drop')) return [];
    // Nothing is held for readers who ask for reduced motion, and a pin that cannot hold has no timeline.
    const { driver } = motion;
    if (motion.stagger) steps.push(...staggerPieces(motion, present(counters.get(motion.id)), held));
    const pinned = asPin(driver);
    if (pinned && (reducedMotion || !held.pinnedSpans.some((h) => h.id === pinned.pin))) return [];
    if (isRangeless(driver) || findEventTrigger(motion, document)) return [];
    if (isTimed(driver))
      return timedEntries(motion, condition, {
        document,
        held,
        names,
        blockNames,
        triggerNames,
        counters,
        times,
      });
    const written = makeEntry(
      motion,
      [present(names.get(motion.id)), present(blockNames.get(motion.id))],
      condition,
      { layouts, pins, owners, counters },
    );
    if (written.named) shared.add(written.named.owner, written.named);
    notes.push(...written.notes);
    return written.blocks.length ? [written] : [];
  });
  for (const pin of document.pins) {
    const doubt = pin.on && !reducedMotion ? travelDoubt(pin, layouts) : null;
    const mover = document.motions.find((m) => refersTo(m.driver, pin.id));
    if (doubt) notes.push({ motion: mover?.id ?? pin.id, note: doubt });
  }
  return {
    document,
    layouts,
    condition,
    prefix,
    triggerNames,
    entries,
    shared,
    steps,
    notes,
    apart: document.motions.filter(
      (m) => m.on && (isApart(m) || isPointed(m.driver) || findEventTrigger(m, document) !== null),
    ),
    makeStep: (motion) => stepCss(motion, held),
  };
}

/**
 * `all`: drafts of the same document under every media condition. Motions that are written in another one but not here are let go of.
 * `page`: all that one page gets; a custom property is registered once, for what it holds in any of it.
 */
export function piecesOfDraft(
  draft: CssDraft,
  all: readonly CssDraft[] = [draft],
  page: readonly CssDraft[] = all,
  ever: ReadonlySet<string> = new Set(all.flatMap((d) => d.entries.map((e) => e.motion.id))),
): Piece[] {
  const listMotions = (drafts: readonly CssDraft[]) =>
    drafts.flatMap((d) => [...d.entries.map((e) => e.motion), ...d.apart]);
  const { document, layouts, entries, condition } = draft;
  const held = itemAt(layouts, 0);
  const joined = page.length === 1 ? entries : withAbsent(draft, ever);
  return [
    ...registrations(listMotions(page), document.properties),
    ...adjustmentPieces(document, held, condition),
    ...(condition === 'reduced-motion' ? [] : pinPieces(document, layouts, draft.prefix)),
    ...draft.shared.pieces(
      held,
      all.map((d) => d.shared),
    ),
    ...draft.steps,
    ...triggerPieces(document.triggers, draft.triggerNames, splitParts(entries), held),
    ...makePieces(joined, held),
  ];
}

/** In the order of the document, with what is written elsewhere in its place. */
function withAbsent({ document, entries }: CssDraft, ever: ReadonlySet<string>): Entry[] {
  const here = new Map<string, Entry[]>();
  for (const e of entries) here.set(e.motion.id, [...(here.get(e.motion.id) ?? []), e]);
  return document.motions.flatMap((m) => here.get(m.id) ?? (ever.has(m.id) ? [absent(m)] : []));
}

interface OneWritten extends Entry, TimelineCss {
  key: string;
  layouts: readonly PinnedLayout[];
}

/** What was written last for a motion. While one motion is dragged all others are the same objects and need no second look. */
const last = new WeakMap<Motion, OneWritten>();

const pinKey = ({ driver }: Motion, pins: ReadonlyMap<string, NamedPin>): string => {
  const pinned = asPin(driver);
  return pinned ? JSON.stringify(pins.get(pinned.pin)) : '';
};

function makeEntry(
  given: Motion,
  [name, blockName]: [string, string],
  condition: Condition,
  on: Carriers & { counters: ReadonlyMap<string, Counter> },
): OneWritten {
  // The script that damps a motion knows its progress over the whole range only.
  const motion = given.damping.kind === 'none' ? given : unrolledMotion(given);
  const { layouts, pins, owners } = on;
  const counter = on.counters.get(motion.id);
  const carriers = driverSelectors(motion.driver).map((s) => owners.get(s));
  const key = `${condition} ${name} ${blockName} ${pinKey(motion, pins)} ${carriers.join()} ${counter?.css ?? ''}`;
  const known = last.get(motion);
  if (
    known?.key === key &&
    known.layouts.length === layouts.length &&
    known.layouts.every((l, i) => l === layouts[i])
  )
    return known;
  // What only fades anyway is the same for all readers.
  const fadeOnly =
    condition === 'reduced-motion' &&
    motion.reducedMotion === 'fade' &&
    Object.keys(motion.keyframes).some((p) => p !== 'opacity');
  const blocks = keyframesCss(
    motion,
    blockName + (fadeOnly ? '-still' : ''),
    fadeOnly ? (p) => p === 'opacity' : undefined,
  );
  const written = makeTimeline(motion, name, on);
  const fresh = {
    motion,
    key,
    layouts,
    blocks,
    timed: null,
    ...written,
    ...withSteps(motion, written, { name, counter }, itemAt(layouts, 0)),
  };
  last.set(motion, fresh);
  return fresh;
}

function withSteps(
  motion: Motion,
  { range, common }: TimelineCss,
  { name, counter }: { name: string; counter: Counter | undefined },
  layout: PinnedLayout,
) {
  if (!motion.stagger || !counter) return {};
  const { step, tuned } = stepSize(motion, stepCss(motion, layout), name);
  return {
    range: steppedRange(range, step, counter),
    common: common && steppedRange(common, step, counter),
    tuned,
  };
}
