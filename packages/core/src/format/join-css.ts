/** The hand-off’s style sheet: the writer's pieces inside the guards that keep a page whole without them. */
import type { Layout } from '../page/index.ts';
import { underMedia } from '../motion/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { isIdle } from './element-css.ts';
import { Cascade, mediaSets, mediaStates } from './media-css.ts';
import type { MediaSet } from './media-css.ts';
import type { Condition, Piece, Plan, WriterNote } from './piece.ts';
import { pinPieces } from './pin-css.ts';
import { beltOf, planOf } from './plan.ts';
import { indent } from './rule.ts';
import { draftCss, piecesOfDraft } from './write-css.ts';
import type { Draft } from './write-css.ts';

export interface HandOff {
  css: string;
  /** what the script plays; nothing in it: no script is needed */
  plan: Plan;
  notes: WriterNote[];
  /** first and last line of each piece's rules, counted from 1 */
  lines: { piece: Piece; from: number; to: number }[];
}

/** Rules that stand under one media condition of the document; null: under none. */
interface Block {
  query: string | null;
  pieces: Piece[];
}

interface Side {
  blocks: Block[];
  drafts: readonly Draft[];
  keyframes: string[];
}

/** One of the two forms, for readers with or without a wish for reduced motion: as it is, then under each set of conditions. */
function draftsOf(
  document: MotionDocument,
  sets: readonly MediaSet[],
  condition: Condition,
  [layout, ...others]: readonly [Layout, ...Layout[]],
  isApart?: (m: Motion) => boolean,
): Draft[] {
  const base = draftCss(document, layout, condition, others, undefined, isApart);
  return [
    base,
    ...sets.map((set) =>
      draftCss(
        underMedia(document, set.ids),
        layout,
        condition,
        others,
        { base: document, suffix: set.suffix },
        isApart,
      ),
    ),
  ];
}

/** `page`: the drafts of both forms. */
function sideOf(
  document: MotionDocument,
  sets: readonly MediaSet[],
  drafts: readonly Draft[],
  page: readonly Draft[],
): Side {
  const [base] = drafts as readonly [Draft];
  const ownBlocks = base.condition === 'full-motion' ? pinBlocks(document, base) : [];
  const apart = new Set(ownBlocks.flatMap((b) => b.pieces.map((p) => p.id)));
  const written = drafts.map((d) => piecesOfDraft(d, drafts, page).filter((p) => !apart.has(p.id)));
  const first = written[0]!.filter((p) => !isIdle(p));
  const cascade = new Cascade(first);
  return {
    drafts,
    keyframes: written.flatMap((pieces) => pieces.map((p) => p.keyframes)).filter(Boolean),
    blocks: [
      { query: null, pieces: first },
      ...ownBlocks,
      ...sets.map((set, i) => ({
        query: set.query,
        pieces: cascade.changed(set, written[i + 1]!, isIdle),
      })),
    ],
  };
}

/** Pins that differ under a condition: a wrapper that holds cannot be told by a later rule to stand as the page had it. */
function pinBlocks(document: MotionDocument, { layouts }: Draft): Block[] {
  return document.pins
    .filter((p) => p.conditions?.length)
    .flatMap((pin) =>
      mediaStates(document.media.filter((m) => pin.conditions!.some((c) => c.media === m.id))).map((s) => ({
        query: s.query,
        pieces: pinPieces(underMedia(document, s.ids), layouts).filter((p) => p.id === `pin:${pin.id}`),
      })),
    );
}

function joinedPlan(document: MotionDocument, { drafts }: Side): Plan {
  const plans = drafts.map(planOf);
  const base = plans[0]!;
  const held = drafts[0]!.layouts[0]!;
  const follow = new Map<string, Plan['follow'][number]>();
  for (const f of plans.flatMap((p) => p.follow)) {
    const known = follow.get(f.motion);
    follow.set(f.motion, { ...f, names: [...new Set([...(known?.names ?? []), ...f.names])] });
  }
  const signals = plans.flatMap((p) => p.signals);
  const plan: Plan = {
    follow: [...follow.values()],
    signals: signals.filter(
      (s, i) => signals.findIndex((o) => o.motion === s.motion && o.property === s.property) === i,
    ),
    travels: base.travels,
    belts: document.motions.flatMap((m) => {
      const own = document.media.filter((q) => m.conditions?.some((c) => c.media === q.id));
      return mediaStates(own).flatMap(({ ids, query }) =>
        beltOf(
          underMedia(document, ids).motions.find((x) => x.id === m.id)!,
          held,
        ).map((b) => (query === null ? b : { ...b, when: query })),
      );
    }),
    media: [],
  };
  const changes = drafts.length > 1 && plan.follow.length + plan.belts.length > 0;
  return {
    ...plan,
    belts: plan.belts.length ? plan.belts : base.belts,
    media: changes ? document.media.map((m) => m.query) : [],
  };
}

export interface WritingOptions {
  /** what pins do stands outside of the guard, for a script that plays the rest */
  older?: boolean;
  /** motions that something else than CSS plays */
  isApart?: ((m: Motion) => boolean) | undefined;
}

/**
 * Browsers without scroll timelines, print and readers who ask for reduced motion see the page as it was brought, complete.
 * `title` becomes the opening comment.
 */
export function handOffCss(
  document: MotionDocument,
  layout: Layout,
  title: string,
  others: readonly Layout[] = [],
  { older = false, isApart }: WritingOptions = {},
): HandOff {
  const sets = mediaSets(document);
  const layouts = [layout, ...others] as const;
  const moving = draftsOf(document, sets, 'full-motion', layouts, isApart);
  const still = draftsOf(document, sets, 'reduced-motion', layouts, isApart);
  const full = sideOf(document, sets, moving, [...moving, ...still]);
  const reduced = sideOf(document, sets, still, [...moving, ...still]);
  const out: string[] = [`/* ${title.replaceAll('*/', '')} */`];
  const lines: HandOff['lines'] = [];
  const put = (text: string) => {
    const from = out.length + 1;
    out.push(...text.split('\n'));
    return { from, to: out.length };
  };
  if (full.blocks.some((b) => b.pieces.length)) {
    let blocks = 0;
    let indented = '';
    const media = (query: string, pieces: readonly Piece[], mark: boolean, comment = '') => {
      const written = pieces.filter((p) => p.rules);
      if (written.length === 0) return;
      if (blocks++) put('');
      put(`${indented}@media ${query} {`);
      if (comment) put(`${indented}  /* ${comment} */`);
      written.forEach((piece, i) => {
        if (i > 0) put('');
        const at = put(indent(piece.rules, `${indented}  `));
        if (mark) lines.push({ piece, ...at });
      });
      put(`${indented}}`);
    };
    const [base] = full.blocks;
    const moves = (side: Side, wish: string, screen: string, which: (p: Piece) => boolean) => {
      for (const { query, pieces } of side.blocks)
        media(
          `${screen} and (prefers-reduced-motion: ${wish})${query === null ? '' : ` and ${inBrackets(query)}`}`,
          pieces.filter((p) => !isAdjustment(p) && !(alike.has(p.id) && !older) && which(p)),
          side === full,
        );
    };
    const alike = sharedIds(full, reduced);
    const adjusted = base!.pieces.filter(isAdjustment);
    const needed = 'Adjustments that the motions need';
    if (older) {
      // Where a script plays instead of timelines, it needs the same page.
      media('screen and (scripting: enabled)', adjusted, true, needed);
      moves(full, 'no-preference', 'screen and (scripting: enabled)', isHeld);
      if (blocks) put('');
      blocks = 0;
    }
    put('@supports (animation-timeline: view()) {');
    indented = '  ';
    if (!older) {
      media('screen', adjusted, true, needed);
      for (const { query, pieces } of full.blocks)
        media(
          `screen${query === null ? '' : ` and ${inBrackets(query)}`}`,
          pieces.filter((p) => alike.has(p.id)),
          true,
        );
    }
    moves(full, 'no-preference', 'screen', (p) => !older || !isHeld(p));
    moves(reduced, 'reduce', 'screen', () => true);
    put('}');
    for (const keyframes of new Set([...full.keyframes, ...reduced.keyframes])) put(`\n${keyframes}`);
  }
  return {
    css: `${out.join('\n')}\n`,
    plan: joinedPlan(document, full),
    notes: notesOf(full),
    lines,
  };
}

/** Pieces that are the same for readers with and without a wish for reduced motion, under every media condition. */
function sharedIds(full: Side, reduced: Side): Set<string> {
  const texts = ({ blocks }: Side) => {
    const out = new Map<string, string>();
    for (const { query, pieces } of blocks)
      for (const p of pieces)
        if (p.rules && p.stays !== true) out.set(p.id, `${out.get(p.id) ?? ''}${query}\n${p.rules}\n`);
    return out;
  };
  const [a, b] = [texts(full), texts(reduced)];
  return new Set([...a].filter(([id, text]) => b.get(id) === text).map(([id]) => id));
}

const notesOf = ({ drafts }: Side): WriterNote[] => {
  const all = drafts.flatMap((d) => d.notes);
  return all.filter((n, i) => all.findIndex((o) => o.motion === n.motion && o.note === n.note) === i);
};

/** What pins do to the page. */
const isHeld = (p: Piece) => p.stays === true && !isAdjustment(p);
const isAdjustment = (p: Piece) => p.id.startsWith('adjust:') || p.id === 'kept';
/** Behind an “and” only other ands may follow without brackets of their own. */
const inBrackets = (query: string) => (/\b(?:or|not)\b/.test(query) ? `(${query})` : query);

/** What the preview puts into the page for one piece: the same text, without guards, since the condition is chosen there. */
export const previewCss = (piece: Piece): string => [piece.rules, piece.keyframes].filter(Boolean).join('\n');
