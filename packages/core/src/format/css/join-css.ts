/** The hand-off’s style sheet: the writer's pieces inside the guards that keep a page whole without them. */
import { itemAt, present } from '../../assert/index.ts';
import { isAtLoad, isTriggered } from '../../drivers/index.ts';
import type { Layout } from '../../page/index.ts';
import { underMedia } from '../../motion/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { CssText } from './css-text.ts';
import type { PieceLines } from './css-text.ts';
import { trackClasses } from '../html/patch.ts';
import { keptCss } from './kept-css.ts';
import { mediaStates } from './media-css.ts';
import type { Piece, Plan, WriterNote } from './piece.ts';
import { makeMarquee, makePlan } from '../script/plan.ts';
import { TRIGGERS } from '../script/script.ts';
import { joinAlike } from './alike.ts';
import { splitSides } from './sides.ts';
import type { Block, Side } from './sides.ts';
import { draftCss } from './write-css.ts';

export interface HandOff {
  css: string;
  /** what the script plays; nothing in it: no script is needed */
  plan: Plan;
  notes: WriterNote[];
  lines: PieceLines[];
}

function joinedPlan(document: MotionDocument, { drafts }: Side): Plan {
  const plans = drafts.map(makePlan);
  const base = itemAt(plans, 0);
  const held = itemAt(itemAt(drafts, 0).layouts, 0);
  const damping = new Map<string, Plan['damping'][number]>();
  for (const f of plans.flatMap((p) => p.damping)) {
    const known = damping.get(f.motion);
    damping.set(f.motion, { ...f, names: [...new Set([...(known?.names ?? []), ...f.names])] });
  }
  const signals = plans.flatMap((p) => p.signals);
  const plan: Plan = {
    damping: [...damping.values()],
    // Two motions of one signal are one thing to listen to.
    signals: signals.filter(
      (s, i) => signals.findIndex((o) => o.selector === s.selector && o.property === s.property) === i,
    ),
    travels: base.travels,
    marquees: document.motions.flatMap((m) => {
      const own = document.media.filter((q) => m.conditions?.some((c) => c.media === q.id));
      return mediaStates(own).flatMap(({ ids, query }) =>
        makeMarquee(present(underMedia(document, ids).motions.find((x) => x.id === m.id)), held).map((b) =>
          query === null ? b : { ...b, when: query },
        ),
      );
    }),
    media: [],
  };
  const changes = drafts.length > 1 && plan.damping.length + plan.marquees.length > 0;
  return {
    ...plan,
    marquees: plan.marquees.length ? plan.marquees : base.marquees,
    media: changes ? document.media.map((m) => m.query) : [],
  };
}

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
 * is triggered where triggers are not known. `title` becomes the opening comment.
 */
export function handOffCss(
  whole: MotionDocument,
  layout: Layout,
  title: string,
  others: readonly Layout[] = [],
  { fallback = false, isApart }: WritingOptions = {},
): HandOff {
  const { entries } = draftCss(whole, layout, 'full-motion', { others, isApart });
  const { document, layouts, members } = joinAlike(whole, [layout, ...others], entries);
  const [full, reducedMotion] = splitSides(document, layouts, isApart);
  const triggers = document.motions.some((m) => m.on && isTriggered(m.driver) && !isApart?.(m));
  const [plain, plainReducedMotion] = triggers
    ? splitSides(document, layouts, (m) => isTriggered(m.driver) || (isApart?.(m) ?? false))
    : [full, reducedMotion];
  // What plays at load needs no timeline, so it stands before the guard. A fallback script plays it itself.
  const atLoad = !fallback && document.motions.some((m) => m.on && isAtLoad(m.driver) && !isApart?.(m));
  const intros = atLoad
    ? splitSides(onlyAtLoad(document), layouts, isApart).map((side) => withoutPins(side, document))
    : [];
  const text = new CssText();
  text.put(`/* ${title.replaceAll('*/', '')} */`);
  // The wrappers are in the HTML for everybody, so this has no guard.
  const kept = keptCss(layout.kept ?? [], trackClasses(whole));
  if (kept) text.put(`/* ${OWN_RULES} */\n${kept}\n`);
  if (full.blocks.some((b) => b.pieces.length)) {
    const held = full.blocks.map((b) => ({ ...b, pieces: b.pieces.filter(isHeld) }));
    const [intro, introReducedMotion] = intros;
    const known = new Set(intros.flatMap(adjusted).map((p) => p.rules));
    const needs = [
      adjusted(full).filter((p) => !known.has(p.rules)),
      adjusted(reducedMotion).filter((p) => !known.has(p.rules)),
    ] as const;
    if (intro && introReducedMotion) {
      adjust(text, [adjusted(intro), adjusted(introReducedMotion)], '');
      moves(text, [written(intro), written(introReducedMotion)]);
    }
    if (fallback) {
      // Where a script plays instead of timelines, it needs the same page.
      adjust(text, needs, ' and (scripting: enabled)');
      moves(text, [held, []], ' and (scripting: enabled)');
    }
    text.block('@supports (animation-timeline: view())', () => {
      // Without scripts, what stands above is not there, and the timelines play on.
      adjust(text, needs, fallback ? ' and (scripting: none)' : '');
      if (fallback) moves(text, [held, []], ' and (scripting: none)');
      const own = (side: Side) =>
        side.blocks.map((b) => ({
          ...b,
          pieces: b.pieces.filter((p) => !isAdjustment(p) && !(fallback && isHeld(p))),
        }));
      moves(text, [
        intro ? differing(own(plain), written(intro)) : own(plain),
        introReducedMotion
          ? differing(own(plainReducedMotion), written(introReducedMotion))
          : own(plainReducedMotion),
      ]);
      if (triggers)
        text.block(KNOWS_TRIGGERS, () =>
          moves(text, [
            differing(own(full), own(plain)),
            differing(own(reducedMotion), own(plainReducedMotion)),
          ]),
        );
    });
    const sides = [full, reducedMotion, ...(triggers ? [plain, plainReducedMotion] : []), ...intros];
    for (const block of new Set(sides.flatMap((s) => s.keyframes).flatMap(makeBlocks)))
      text.put(`\n${block}`);
  }
  return {
    css: `${text.out.join('\n')}\n`,
    plan: joinedPlan(document, full),
    notes: listNotes(full).flatMap((n) =>
      (members.get(n.motion) ?? [n.motion]).map((motion) => ({ ...n, motion })),
    ),
    lines: text.marked.map((l) => ({
      ...l,
      piece: { ...l.piece, motions: l.piece.motions.flatMap((id) => members.get(id) ?? [id]) },
    })),
  };
}

/** The document where nothing else moves: without timelines an intro has no scroll to hand over to. */
const onlyAtLoad = (document: MotionDocument): MotionDocument => ({
  ...document,
  motions: document.motions.map((m) =>
    isAtLoad(m.driver) ? m : { ...m, on: false, conditions: m.conditions?.map(({ on: _, ...c }) => c) ?? [] },
  ),
});

/** What pins do stays behind the guard. */
function withoutPins(side: Side, { pins }: MotionDocument): Side {
  const isOfPins = (p: Piece) =>
    isAdjustment(p) && p.motions.length > 0 && p.motions.every((id) => pins.some((pin) => pin.id === id));
  return {
    ...side,
    blocks: side.blocks.map((b) => ({
      ...b,
      pieces: b.pieces.filter((p) => !isHeld(p) && !isOfPins(p)),
    })),
  };
}
const written = ({ blocks }: Side): Block[] =>
  blocks.map((b) => ({ ...b, pieces: b.pieces.filter((p) => !isAdjustment(p)) }));

const adjusted = ({ blocks }: Side): Piece[] => itemAt(blocks, 0).pieces.filter(isAdjustment);
const makeBlocks = (keyframes: string): string[] => keyframes.split(/\n(?=@keyframes )/);
const OWN_RULES = 'The page’s own rules, for what pins have wrapped';
const NEEDED = 'Adjustments that the motions need';

/** What all readers get, then what only those get for whom everything moves. */
function adjust(text: CssText, [full, reducedMotion]: readonly [Piece[], Piece[]], screen: string): void {
  const kept = new Set(reducedMotion.map((p) => p.rules));
  const [both, moving] = [full.filter((p) => kept.has(p.rules)), full.filter((p) => !kept.has(p.rules))];
  text.media(`screen${screen}`, both, true, NEEDED);
  text.media(
    `screen${screen} and (prefers-reduced-motion: no-preference)`,
    moving,
    true,
    both.length ? '' : NEEDED,
  );
}

/** Both forms: what is the same in them once, the rest by the reader's wish. */
function moves(text: CssText, [full, reducedMotion]: readonly [Block[], Block[]], screen = ''): void {
  const alike = sharedIds(full, reducedMotion);
  const under = (query: string | null) => (query === null ? '' : ` and ${inBrackets(query)}`);
  for (const { query, pieces } of full)
    text.media(
      `screen${screen}${under(query)}`,
      pieces.filter((p) => alike.has(p.id)),
      true,
    );
  for (const [side, wish] of [
    [full, 'no-preference'],
    [reducedMotion, 'reduce'],
  ] as const)
    for (const { query, pieces } of side)
      text.media(
        `screen${screen} and (prefers-reduced-motion: ${wish})${under(query)}`,
        pieces.filter((p) => !alike.has(p.id)),
        side === full,
      );
}

/**
 * What of these blocks is not said in the others already. A selector of which anything differs is said again under every condition: its
 * plain rule comes later than the others' and would have the last word.
 */
function differing(blocks: readonly Block[], others: readonly Block[]): Block[] {
  const known = new Set(others.flatMap((o) => o.pieces.map((p) => `${o.query}\n${p.rules}`)));
  const pieces = blocks.flatMap((b) => b.pieces.map((p) => ({ p, query: b.query })));
  const changed = new Set(
    pieces.filter(({ p, query }) => !known.has(`${query}\n${p.rules}`)).map(({ p }) => toSelector(p)),
  );
  return blocks.map((b) => ({ ...b, pieces: b.pieces.filter((p) => changed.has(toSelector(p))) }));
}
const toSelector = (p: Piece): string => p.rules.slice(0, p.rules.indexOf('{'));

/** Pieces that are the same for readers with and without a wish for reduced motion, under every media condition. */
function sharedIds(full: readonly Block[], reducedMotion: readonly Block[]): Set<string> {
  const texts = (blocks: readonly Block[]) => {
    const out = new Map<string, string>();
    for (const { query, pieces } of blocks)
      for (const p of pieces)
        if (p.rules && p.stays !== true) out.set(p.id, `${out.get(p.id) ?? ''}${query}\n${p.rules}\n`);
    return out;
  };
  const [a, b] = [texts(full), texts(reducedMotion)];
  return new Set([...a].filter(([id, text]) => b.get(id) === text).map(([id]) => id));
}

const listNotes = ({ drafts }: Side): WriterNote[] => {
  const all = drafts.flatMap((d) => d.notes);
  return all.filter((n, i) => all.findIndex((o) => o.motion === n.motion && o.note === n.note) === i);
};

/** What pins do to the page. */
const isHeld = (p: Piece) => p.stays === true && !isAdjustment(p);
const isAdjustment = (p: Piece) => p.id.startsWith('adjust:');
/** Behind an “and” only other ands may follow without brackets of their own. */
const inBrackets = (query: string) => (/\b(?:or|not)\b/.test(query) ? `(${query})` : query);
