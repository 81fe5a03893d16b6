/**
 * The one writer of CSS. The preview applies its pieces as they are; the hand-off joins the same pieces (see join-css.ts).
 * CSS keeps animations as lists per element, so motions that share an element are written together.
 */
import type { HeldLayout, Layout, Ms } from '../page/index.ts';
import { matchesOf, withPins } from '../page/index.ts';
import { timesOf } from '../motion/index.ts';
import type { Motion, MotionDocument, Pin, Played } from '../motion/index.ts';
import { isTimed } from '../timeline/index.ts';
import { adjustmentPieces } from './adjustment-css.ts';
import { keyframesCss } from './keyframes-css.ts';
import type { KeyframesBlock } from './keyframes-css.ts';
import type { Condition, Piece, Plan, WriterNote, Written } from './piece.ts';
import { NamedTimelines, timelineOf } from './timeline-css.ts';
import type { TimelineCss } from './timeline-css.ts';
import { keptPieces } from './kept-css.ts';
import { writtenSelector } from './marks.ts';
import { slugs } from './names.ts';
import { pinPieces } from './pin-css.ts';
import { gatePieces, triggerActions, triggerName } from './gate-css.ts';
import { registrations } from './property-css.ts';
import { rule } from './rule.ts';
import { staggerPieces, stepCss, stepped, steppedRange } from './stagger-css.ts';

/** One entry of the animation lists. */
interface Entry {
  motion: Motion;
  blocks: KeyframesBlock[];
  timeline: string;
  range: string;
  /** of timed parts: when they play, and on whose passing; null where the scroll scrubs */
  timed: { start: Ms; duration: Ms; trigger: string; later: string | null } | null;
}

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
    plan: { follow: still ? [] : entries.flatMap((e) => followedBy(e, held)) },
    notes,
  };
}

interface TimedContext {
  document: MotionDocument;
  held: HeldLayout;
  names: ReadonlyMap<string, string>;
  gateNames: ReadonlyMap<string, string>;
  times: ReadonlyMap<string, Played>;
}

/** A timed part; with reduced motion it stands at its end at once, unless it is kept. */
function timedEntries(motion: Motion, condition: Condition, c: TimedContext): Entry[] {
  const still = condition === 'reduced-motion';
  const gate =
    motion.driver.kind === 'gate'
      ? c.document.gates.find((g) => g.id === (motion.driver as { gate: string }).gate)
      : null;
  const played = c.times.get(motion.id);
  if (!played || (motion.driver.kind === 'gate' && !gate?.on)) return [];
  const name = `lv-${c.names.get(motion.id)!}`;
  const trigger = gate ? `${triggerName(c.gateNames.get(gate.id)!)} ${triggerActions(gate)}` : 'none';
  const step = motion.stagger?.step.endsWith('ms') ? motion.stagger.step : null;
  const later = step && stepped(`${played.start}ms`, step, name);
  const timed = { start: played.start, duration: played.end - played.start, trigger, later };
  const only = still && motion.reducedMotion === 'fade' ? (p: string) => p === 'opacity' : () => true;
  const entry = (m: Motion, suffix: string, keep: (p: string) => boolean): Entry[] => {
    const blocks = keyframesCss(m, name + suffix + (still ? '-still' : ''), (p) => keep(p) && only(p));
    return blocks.length ? [{ motion: m, blocks, timeline: 'auto', range: 'normal', timed }] : [];
  };
  if (gate) return entry(motion, '', () => true);
  const taken = scrubbedBeside(motion, c.document, c.held);
  if (taken.size === 0) return entry(motion, '', () => true);
  return [
    ...entry(motion, '', (p) => !taken.has(p)),
    ...entry(handingOver(motion), '-intro', (p) => taken.has(p)),
  ];
}

/** Properties of an intro that the scroll also moves, on any of its elements. */
function scrubbedBeside(intro: Motion, document: MotionDocument, layout: HeldLayout): Set<string> {
  const own = new Set(matchesOf(layout, intro.targets.selector));
  const taken = new Set<string>();
  for (const m of document.motions) {
    if (!m.on || isTimed(m.driver) || !matchesOf(layout, m.targets.selector).some((e) => own.has(e)))
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
function handingOver(intro: Motion): Motion {
  const known = handedOver.get(intro);
  if (known) return known;
  const made: Motion = {
    ...intro,
    fill: 'backwards',
    keyframes: Object.fromEntries(
      Object.entries(intro.keyframes).map(([property, stops]) => [
        property,
        stops.filter((s) => s.at !== '100%'),
      ]),
    ),
  };
  handedOver.set(intro, made);
  return made;
}

/** Ids of the parts that were written, by gate. */
function partsOf(entries: readonly Entry[]): Map<string, string[]> {
  const out = new Map<string, string[]>();
  for (const { motion } of entries)
    if (motion.driver.kind === 'gate')
      out.set(motion.driver.gate, [...(out.get(motion.driver.gate) ?? []), motion.id]);
  return out;
}

const introsLast = (list: readonly Entry[]): Entry[] => [
  ...list.filter((e) => e.motion.driver.kind !== 'load'),
  ...list.filter((e) => e.motion.driver.kind === 'load'),
];

/** Readers who ask for reduced motion get no following: it would move after the hand has stopped. */
function followedBy({ motion, blocks }: Entry, layout: HeldLayout): Plan['follow'] {
  if (motion.follow.kind === 'none') return [];
  const selector = writtenSelector(motion.targets.selector, layout);
  return [{ motion: motion.id, names: blocks.map((b) => b.name), selector, how: motion.follow }];
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

/**
 * One piece per selector, then one per overlap. The selector of an overlap is the intersection of its parts, so it is more
 * specific than each of them and keeps holding when the page changes.
 */
function piecesOf(entries: readonly Entry[], layout: Layout): Piece[] {
  const bySelector = new Map<string, Entry[]>();
  for (const e of entries) {
    const s = e.motion.targets.selector;
    bySelector.set(s, [...(bySelector.get(s) ?? []), e]);
  }
  const pieces = [...bySelector].map(([selector, list]) => pieceOf(writtenSelector(selector, layout), list));
  for (const group of overlaps([...bySelector.keys()], layout)) {
    const list = entries.filter((e) => group.includes(e.motion.targets.selector));
    pieces.push({
      id: `both:${list.map((e) => e.motion.id).join('+')}`,
      motions: list.map((e) => e.motion.id),
      rules: animationRule(group.map((s) => `:is(${writtenSelector(s, layout)})`).join(''), list),
      keyframes: '',
    });
  }
  return pieces;
}

/** A motion that is alone on its selector keeps its piece for as long as it is the same entry. */
const alone = new WeakMap<Entry, { selector: string; piece: Piece }>();

function pieceOf(selector: string, list: readonly Entry[]): Piece {
  const known = list.length === 1 ? alone.get(list[0]!) : undefined;
  if (known?.selector === selector) return known.piece;
  const piece: Piece = {
    id: list.map((e) => e.motion.id).join('+'),
    motions: list.map((e) => e.motion.id),
    rules: animationRule(selector, list),
    keyframes: list.flatMap((e) => e.blocks.map((b) => b.css)).join('\n'),
  };
  if (list.length === 1) alone.set(list[0]!, { selector, piece });
  return piece;
}

/** Sets of two or more selectors that match a common element, smaller sets first. */
function overlaps(selectors: readonly string[], layout: Layout): string[][] {
  const byElement = new Map<number, string[]>();
  for (const s of selectors)
    for (const e of matchesOf(layout, s)) byElement.set(e, [...(byElement.get(e) ?? []), s]);
  const sets = new Map<string, string[]>();
  for (const set of byElement.values()) if (set.length > 1) sets.set(set.join('\n'), set);
  return [...sets.values()].sort((a, b) => a.length - b.length);
}

const lasting = ({ timed }: Entry): string => {
  if (!timed) return 'auto linear';
  const ms = (n: Ms) => `${Number(n.toFixed(2))}ms`;
  const delay = timed.later ?? (timed.start > 0 ? ms(timed.start) : '');
  return `${ms(timed.duration)} linear${delay ? ` ${delay}` : ''}`;
};

/** The shorthand comes first: it would reset timeline and range. */
function animationRule(selector: string, entries: readonly Entry[]): string {
  const list = introsLast(entries);
  const rows = list.flatMap((e) => e.blocks.map((b) => ({ e, name: b.name })));
  const join = (f: (row: (typeof rows)[number]) => string) => {
    const all = rows.map(f);
    return all.length > 1 ? `\n    ${all.join(',\n    ')}` : ` ${all[0]!}`;
  };
  const fill = (m: Motion) => (m.fill === 'none' ? '' : ` ${m.fill}`);
  return rule(selector, [
    `animation:${join(({ e, name }) => `${name} ${lasting(e)}${fill(e.motion)}`)};`,
    `animation-timeline:${join(({ e }) => e.timeline)};`,
    `animation-range:${join(({ e }) => e.range)};`,
    ...(list.some((e) => e.timed && e.timed.trigger !== 'none')
      ? [`animation-trigger:${join(({ e }) => e.timed?.trigger ?? 'none')};`]
      : []),
    ...(list.some((e) => e.motion.composite === 'add')
      ? [`animation-composition:${join(({ e }) => e.motion.composite)};`]
      : []),
  ]);
}
