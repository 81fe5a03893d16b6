/** The hand-off’s style sheet: the writer's pieces inside the guards that keep a page whole without them. */
import { itemAt, present } from '../../assert/index.ts';
import { isFreeOfTimelines, isTriggered } from '../../drivers/index.ts';
import type { Layout } from '../../page/index.ts';
import { underMedia } from '../../motion/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { CssText } from './css-text.ts';
import type { PieceLines } from './css-text.ts';
import { trackClasses } from '../html/patch.ts';
import { DEFAULT_PREFIX } from '../selectors/names.ts';
import { keptCss } from './kept-css.ts';
import { mediaStates } from './media-css.ts';
import type { Piece, Plan, WriterNote } from './piece.ts';
import { findEventTrigger, makeEvent, makeMarquee, makePlan, makePointer } from '../script/plan.ts';
import { TRIGGERS } from '../script/script.ts';
import { SharedFrames } from './shared-frames.ts';
import { isAdjustment, writeForms } from './sides.ts';
import type { Block, Forms } from './sides.ts';

export interface HandOff {
  css: string;
  /** what the script plays; nothing in it: no script is needed */
  plan: Plan;
  notes: WriterNote[];
  lines: PieceLines[];
}

function joinedPlan(document: MotionDocument, { full: drafts }: Forms): Plan {
  const plans = drafts.map(makePlan);
  const base = itemAt(plans, 0);
  const held = itemAt(itemAt(drafts, 0).layouts, 0);
  const damping = new Map<string, Plan['damping'][number]>();
  for (const f of plans.flatMap((p) => p.damping)) {
    const known = damping.get(f.motion);
    damping.set(f.motion, { ...f, names: [...new Set([...(known?.names ?? []), ...f.names])] });
  }
  const plan: Plan = {
    damping: [...damping.values()],
    // Two motions of one signal are one thing to listen to.
    signals: unique(plans.flatMap((p) => p.signals)),
    videos: unique(plans.flatMap((p) => p.videos)),
    sequences: unique(plans.flatMap((p) => p.sequences)),
    texts: base.texts,
    travels: base.travels,
    marquees: underEach(document, (m) => makeMarquee(m, held)),
    pointers: underEach(document, (m) => makePointer(m, held)),
    events: underEach(document, (m) => makeEvent(m, document, held, { prefix: document.prefix })),
    media: [],
  };
  const changes =
    drafts.length > 1 &&
    [plan.damping, plan.marquees, plan.pointers, plan.events].some((list) => list.length > 0);
  return { ...plan, media: changes ? document.media.map((m) => m.query) : [] };
}

const unique = <N extends Plan['signals'][number]>(numbers: readonly N[]): N[] =>
  numbers.filter(
    (s, i) => numbers.findIndex((o) => o.selector === s.selector && o.property === s.property) === i,
  );

/** What is made of motions, under every media condition in which it is another one. */
const underEach = <T extends object>(document: MotionDocument, make: (m: Motion) => T[]): T[] =>
  document.motions.flatMap((m) => {
    const own = document.media.filter((q) => m.conditions?.some((c) => c.media === q.id));
    return mediaStates(own).flatMap(({ ids, query }) =>
      make(present(underMedia(document, ids).motions.find((x) => x.id === m.id))).map((made) =>
        query === null ? made : { ...made, when: query },
      ),
    );
  });

export interface WritingOptions {
  /** what pins do stands outside of the guard, for a script that plays the rest */
  fallback?: boolean;
  /** motions that something else than CSS plays */
  isApart?: ((m: Motion) => boolean) | undefined;
}

/** Browsers with scroll timelines and without timeline triggers would play what waits for one at load, where nobody sees it. */
const KNOWS_TRIGGERS = `@supports (${TRIGGERS})`;

/**
 * Browsers without scroll timelines, print and readers who ask for reduced motion see the page as it was brought, complete; so does what
 * is triggered where triggers are not known. `title` becomes the opening comment; empty: there is none.
 */
export function handOffCss(
  document: MotionDocument,
  layout: Layout,
  title: string,
  others: readonly Layout[] = [],
  { fallback = false, isApart }: WritingOptions = {},
): HandOff {
  const layouts = [layout, ...others] as const;
  const { prefix = DEFAULT_PREFIX, layer = '' } = document;
  const frames = new SharedFrames(document, { prefix, taken: layout.keyframeNames });
  const forms = writeForms(document, layouts, frames, { prefix, isApart });
  const triggers = document.motions.some(
    (m) => m.on && isTriggered(m.driver) && !findEventTrigger(m, document) && !isApart?.(m),
  );
  const plain = triggers
    ? writeForms(document, layouts, frames, {
        prefix,
        isApart: (m) => isTriggered(m.driver) || (isApart?.(m) ?? false),
      })
    : forms;
  // What plays at load, or is the script’s alone, needs no timeline, so it stands before the guard. A fallback script plays it itself.
  const isFree = (m: Motion) => isFreeOfTimelines(m.driver) || findEventTrigger(m, document) !== null;
  const isAnyFree = !fallback && document.motions.some((m) => m.on && isFree(m) && !isApart?.(m));
  const free = isAnyFree
    ? withoutPins(writeForms(onlyThose(document, isFree), layouts, frames, { prefix, isApart }), document)
    : null;
  const text = new CssText(document.nested);
  if (title) text.put(`/* ${title.replaceAll('*/', '')} */`);
  // The wrappers are in the HTML for everybody, so this has no guard.
  const kept = keptCss(layout.kept ?? [], trackClasses(document, prefix));
  if (kept) text.put(`/* ${OWN_RULES} */\n${kept}\n`);
  const all = [forms, ...(triggers ? [plain] : []), ...(free ? [free] : [])];
  const keyframes = new Set(all.flatMap((f) => f.keyframes).flatMap(makeBlocks));
  const sheet: Sheet = { forms, plain: triggers ? plain : null, free, fallback };
  const moving = (isPart: (p: Piece) => boolean) => {
    guarded(text, sheet, isPart);
    for (const block of keyframes) text.put(`\n${block}`);
  };
  if (layer === '') moving(() => true);
  else {
    // What motions need of the page has to win over rules in no layer.
    guarded(text, sheet, isOfPage);
    text.block(`@layer ${layer}`, () => moving((p) => !isOfPage(p)));
  }
  return {
    css: `${text.out.join('\n')}\n`,
    plan: joinedPlan(document, forms),
    notes: listNotes(forms),
    lines: text.marked,
  };
}

/** What a style sheet is written from. */
interface Sheet {
  forms: Forms;
  /** where triggers are not known; null: there are none */
  plain: Forms | null;
  /** what needs no timeline */
  free: Forms | null;
  fallback: boolean;
}

/** Rules inside of their guards, those that are `isPart`. */
function guarded(
  text: CssText,
  { forms, plain: noTriggers, free, fallback }: Sheet,
  isPart: (p: Piece) => boolean,
): void {
  const plain = noTriggers ?? forms;
  const put = (lists: readonly (readonly Block[])[], screen?: string) =>
    moves(
      text,
      lists.map((list) => only(list, isPart)),
      screen,
    );
  const held = only(forms.blocks, isHeld);
  const known = new Set(free?.adjustments.flat().map((p) => p.rules));
  const needs = forms.adjustments.map((list) =>
    list.filter((p) => !known.has(p.rules)),
  ) as Forms['adjustments'];
  if (free) put([adjusted(free.adjustments), free.blocks]);
  // Where a script plays instead of timelines, it needs the same page.
  if (fallback) put([adjusted(needs), held], ' and (scripting: enabled)');
  text.block('@supports (animation-timeline: view())', () => {
    // Without scripts, what stands above is not there, and the timelines play on.
    if (fallback) put([adjusted(needs), held], ' and (scripting: none)');
    const first = fallback ? [] : adjusted(needs);
    const own = ({ blocks }: Forms) => only(blocks, (p) => !(fallback && isHeld(p)));
    put([first, free ? differing(own(plain), free.blocks) : own(plain)]);
    if (noTriggers) text.block(KNOWS_TRIGGERS, () => put([differing(own(forms), own(plain))]));
  });
}

/** The document where nothing else moves: without timelines an intro has no scroll to hand over to. */
const onlyThose = (document: MotionDocument, isOne: (m: Motion) => boolean): MotionDocument => ({
  ...document,
  motions: document.motions.map((m) =>
    isOne(m) ? m : { ...m, on: false, conditions: m.conditions?.map(({ on: _, ...c }) => c) ?? [] },
  ),
});

/** What pins do stays behind the guard. */
function withoutPins(forms: Forms, { pins }: MotionDocument): Forms {
  const isOfPins = (p: Piece) =>
    p.motions.length > 0 && p.motions.every((id) => pins.some((pin) => pin.id === id));
  return {
    ...forms,
    adjustments: forms.adjustments.map((list) => list.filter((p) => !isOfPins(p))) as Forms['adjustments'],
    blocks: only(forms.blocks, (p) => !isHeld(p)),
  };
}

const only = (blocks: readonly Block[], isOne: (p: Piece) => boolean): Block[] =>
  blocks.map((b) => ({ ...b, pieces: b.pieces.filter(isOne) }));

const makeBlocks = (keyframes: string): string[] => keyframes.split(/\n(?=@keyframes )/);
const OWN_RULES = 'The page’s own rules, for what pins have wrapped';
const NEEDED = 'Adjustments that the motions need';

/** Adjustments as blocks: what all readers get, and what only those get for whom everything moves. */
function adjusted([full, reducedMotion]: readonly [Piece[], Piece[]]): Block[] {
  const kept = new Set(reducedMotion.map((p) => p.rules));
  return [
    { wish: 'any', query: null, pieces: full.filter((p) => kept.has(p.rules)) },
    { wish: 'no-preference', query: null, pieces: full.filter((p) => !kept.has(p.rules)) },
  ];
}

/** Rules of several lists of blocks, for all readers, then by their wish; those for the same readers in one. */
function moves(text: CssText, lists: readonly (readonly Block[])[], screen = ''): void {
  const byMedia = new Map<string, Block>();
  for (const block of lists.flat()) {
    const key = `${block.wish} ${block.query}`;
    const known = byMedia.get(key);
    byMedia.set(key, { ...block, pieces: [...(known?.pieces ?? []), ...block.pieces] });
  }
  const order = ['any', 'no-preference', 'reduce'];
  const sorted = [...byMedia.values()].sort((a, b) => order.indexOf(a.wish) - order.indexOf(b.wish));
  let isSaid = false;
  for (const { wish, query, pieces } of sorted) {
    const wished = wish === 'any' ? '' : ` and (prefers-reduced-motion: ${wish})`;
    const under = query === null ? '' : ` and ${inBrackets(query)}`;
    const hasAdjustments = pieces.some(isAdjustment);
    text.media(
      `screen${screen}${wished}${under}`,
      pieces,
      wish !== 'reduce',
      hasAdjustments && !isSaid ? NEEDED : '',
    );
    isSaid ||= hasAdjustments;
  }
}

/**
 * What of these blocks is not said in the others already. A selector of which anything differs is said again under every condition: its
 * plain rule comes later than the others' and would have the last word.
 */
function differing(blocks: readonly Block[], others: readonly Block[]): Block[] {
  const toKey = ({ wish, query }: Block, p: Piece) => `${wish} ${query}\n${p.rules}`;
  const known = new Set(others.flatMap((b) => b.pieces.map((p) => toKey(b, p))));
  const changed = new Set(
    blocks.flatMap((b) => b.pieces.filter((p) => !known.has(toKey(b, p))).map(toSelector)),
  );
  return only(blocks, (p) => changed.has(toSelector(p)));
}
const toSelector = (p: Piece): string => p.rules.slice(0, p.rules.indexOf('{'));

const listNotes = ({ full }: Forms): WriterNote[] => {
  const all = full.flatMap((d) => d.notes);
  return all.filter((n, i) => all.findIndex((o) => o.motion === n.motion && o.note === n.note) === i);
};

/** What pins do to the page. */
const isHeld = (p: Piece) => p.stays === true;
/** What is said of the page’s own elements, as against motions. */
const isOfPage = (p: Piece) => isHeld(p) || isAdjustment(p);
/** Behind an “and” only other ands may follow without brackets of their own. */
const inBrackets = (query: string) => (/\b(?:or|not)\b/.test(query) ? `(${query})` : query);
