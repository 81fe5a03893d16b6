/** The two forms of a hand-off: for readers with and without a wish for reduced motion, each under every media condition. */
import { itemAt, present } from '../../assert/index.ts';
import { underMedia } from '../../motion/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import type { Layout } from '../../page/index.ts';
import { isIdle } from './element-css.ts';
import { WrittenRules, mediaSets, mediaStates } from './media-css.ts';
import type { MediaSet } from './media-css.ts';
import type { Condition, Piece } from './piece.ts';
import { pinPieces } from './pin-css.ts';
import { draftCss, piecesOfDraft } from './write-css.ts';
import type { CssDraft } from './write-css.ts';

/** Rules that stand under one media condition of the document; null: under none. */
export interface Block {
  query: string | null;
  pieces: Piece[];
}

export interface Side {
  blocks: Block[];
  drafts: readonly CssDraft[];
  keyframes: string[];
}

/** One of the two forms, for readers with or without a wish for reduced motion: as it is, then under each set of conditions. */
function listDrafts(
  document: MotionDocument,
  sets: readonly MediaSet[],
  condition: Condition,
  [layout, ...others]: readonly [Layout, ...Layout[]],
  isApart?: (m: Motion) => boolean,
): CssDraft[] {
  const base = draftCss(document, layout, condition, { others, isApart });
  return [
    base,
    ...sets.map((set) =>
      draftCss(underMedia(document, set.ids), layout, condition, {
        others,
        beside: { base: document, suffix: set.suffix },
        isApart,
      }),
    ),
  ];
}

/** `page`: the drafts of both forms. */
function findSide(
  document: MotionDocument,
  sets: readonly MediaSet[],
  drafts: readonly CssDraft[],
  page: readonly CssDraft[],
): Side {
  const [base] = drafts as readonly [CssDraft];
  const ownBlocks = base.condition === 'full-motion' ? pinBlocks(document, base) : [];
  const apart = new Set(ownBlocks.flatMap((b) => b.pieces.map((p) => p.id)));
  const written = drafts.map((d) => piecesOfDraft(d, drafts, page).filter((p) => !apart.has(p.id)));
  const first = itemAt(written, 0).filter((p) => !isIdle(p));
  const cascade = new WrittenRules(first);
  return {
    drafts,
    keyframes: written.flatMap((pieces) => pieces.map((p) => p.keyframes)).filter(Boolean),
    blocks: [
      { query: null, pieces: first },
      ...ownBlocks,
      ...sets.map((set, i) => ({
        query: set.query,
        pieces: cascade.changed(set, itemAt(written, i + 1), isIdle),
      })),
    ],
  };
}

/** Pins that differ under a condition: a wrapper that holds cannot be told by a later rule to stand as the page had it. */
function pinBlocks(document: MotionDocument, { layouts }: CssDraft): Block[] {
  return document.pins
    .filter((p) => p.conditions?.length)
    .flatMap((pin) =>
      mediaStates(document.media.filter((m) => present(pin.conditions).some((c) => c.media === m.id))).map(
        (s) => ({
          query: s.query,
          pieces: pinPieces(underMedia(document, s.ids), layouts).filter((p) => p.id === `pin:${pin.id}`),
        }),
      ),
    );
}

/** Both forms. `isApart`: motions that are played by something else, or written elsewhere. */
export function splitSides(
  document: MotionDocument,
  layouts: readonly [Layout, ...Layout[]],
  isApart?: (m: Motion) => boolean,
): [full: Side, reducedMotion: Side] {
  const sets = mediaSets(document);
  const moving = listDrafts(document, sets, 'full-motion', layouts, isApart);
  const reducedMotion = listDrafts(document, sets, 'reduced-motion', layouts, isApart);
  const all = [...moving, ...reducedMotion];
  return [findSide(document, sets, moving, all), findSide(document, sets, reducedMotion, all)];
}
