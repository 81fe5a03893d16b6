/** The forms of a hand-off: for readers with and without a wish for reduced motion, each under every media condition. */
import { itemAt, present } from '../../assert/index.ts';
import { underMedia } from '../../motion/index.ts';
import type { MotionDocument } from '../../motion/index.ts';
import type { Layout } from '../../page/index.ts';
import { isIdle } from './element-css.ts';
import { WrittenRules, mediaSets, mediaStates } from './media-css.ts';
import type { MediaSet } from './media-css.ts';
import { adjustmentPieces } from './adjustment-css.ts';
import type { Condition, Piece } from './piece.ts';
import type { SharedFrames } from './shared-frames.ts';
import { pinPieces } from './pin-css.ts';
import { draftCss, piecesOfDraft } from './write-css.ts';
import type { CssDraft, Drafting } from './write-css.ts';

/** For whom rules are: everybody, or readers without and with a wish for reduced motion. */
export type Wish = 'any' | 'no-preference' | 'reduce';

/** Rules for some readers under one media condition of the document; null: under none. */
export interface Block {
  wish: Wish;
  query: string | null;
  pieces: Piece[];
}

export interface Forms {
  blocks: Block[];
  /** what full and reduced motion need of the page */
  adjustments: [full: Piece[], reduced: Piece[]];
  /** as it is, then under each set of conditions */
  full: readonly CssDraft[];
  reduced: readonly CssDraft[];
  keyframes: string[];
}

/** One of the two forms, for readers with or without a wish for reduced motion: as it is, then under each set of conditions. */
function listDrafts(
  document: MotionDocument,
  sets: readonly MediaSet[],
  condition: Condition,
  [layout, ...others]: readonly [Layout, ...Layout[]],
  { isApart, prefix }: Drafting,
): CssDraft[] {
  const base = draftCss(document, layout, condition, { others, prefix, isApart });
  return [
    base,
    ...sets.map((set) =>
      draftCss(underMedia(document, set.ids), layout, condition, {
        others,
        beside: { base: document, suffix: set.suffix },
        prefix,
        isApart,
      }),
    ),
  ];
}

const isTimelines = (p: Piece) => p.id === 'timelines';

/** A form’s pieces: as they are, then under each set of conditions. */
function listPieces(drafts: readonly CssDraft[], page: readonly CssDraft[], ever: ReadonlySet<string>) {
  return drafts.map((d) => piecesOfDraft(d, drafts, page, ever));
}

/** What is written under one wish: pieces that `isOf`, under no condition first, then what each set of conditions changes. */
function toBlocks(
  wish: Wish,
  written: readonly Piece[][],
  sets: readonly MediaSet[],
  cascade: WrittenRules,
  isOf: (p: Piece) => boolean,
): Block[] {
  const [base = [], ...under] = written.map((pieces) => pieces.filter(isOf));
  // A wish holds like a condition; what is said for one is not seen under the other.
  const ids = wish === 'any' ? [] : [` ${wish}`];
  return [
    { wish, query: null, pieces: cascade.changed({ ids }, base, isIdle) },
    ...sets.map((set, i) => ({
      wish,
      query: set.query,
      pieces: cascade.changed({ ids: [...ids, ...set.ids] }, itemAt(under, i), isIdle),
    })),
  ];
}

/**
 * The page’s rules. What moves only for those who want everything is theirs; what all get is said once, and then what of it differs for
 * those who ask for reduced motion.
 */
export function writeForms(
  document: MotionDocument,
  layouts: readonly [Layout, ...Layout[]],
  frames: SharedFrames,
  drafting: Drafting = {},
): Forms {
  const sets = mediaSets(document);
  const all = frames.share(
    (['full-motion', 'reduced-motion'] as const).flatMap((c) =>
      listDrafts(document, sets, c, layouts, drafting),
    ),
  );
  const [full, reduced] = [all.slice(0, all.length / 2), all.slice(all.length / 2)];
  const ever = new Set(all.flatMap((d) => d.entries.map((e) => e.motion.id)));
  const ownBlocks = pinBlocks(document, itemAt(full, 0));
  const apart = new Set(ownBlocks.flatMap((b) => b.pieces.map((p) => p.id)));
  const listWritten = (drafts: readonly CssDraft[]) =>
    listPieces(drafts, all, ever).map((pieces) => pieces.filter((p) => !apart.has(p.id) && !isAdjustment(p)));
  const [moving, still] = [listWritten(full), listWritten(reduced)];
  const collectIds = (written: readonly Piece[][]) =>
    new Set(written.flatMap((pieces) => pieces.flatMap((p) => (isIdle(p) ? [] : [p.id]))));
  const [inFull, inReduced] = [collectIds(moving), collectIds(still)];
  const isShared = (p: Piece) => inFull.has(p.id) && inReduced.has(p.id);
  const cascade = new WrittenRules();
  const keyframes = [...moving, ...still].flatMap((pieces) => pieces.map((p) => p.keyframes)).filter(Boolean);
  return {
    full,
    reduced,
    keyframes,
    adjustments: [full, reduced].map((drafts) => listAdjustments(itemAt(drafts, 0))) as Forms['adjustments'],
    blocks: [
      ...toBlocks('any', moving, sets, cascade, isShared),
      ...toBlocks('no-preference', moving, sets, cascade, (p) => !isShared(p)),
      ...ownBlocks,
      // Reduced forms have no timelines that the others lack.
      ...toBlocks('reduce', still, sets, cascade, (p) => !(isTimelines(p) && isShared(p))),
    ],
  };
}

const listAdjustments = ({ document, layouts, condition }: CssDraft): Piece[] =>
  adjustmentPieces(document, itemAt(layouts, 0), condition);
export const isAdjustment = (p: Piece) => p.id.startsWith('adjust:');

/** Pins that differ under a condition: a wrapper that holds cannot be told by a later rule to stand as the page had it. */
function pinBlocks(document: MotionDocument, { layouts, prefix }: CssDraft): Block[] {
  return document.pins
    .filter((p) => p.conditions?.length)
    .flatMap((pin) =>
      mediaStates(document.media.filter((m) => present(pin.conditions).some((c) => c.media === m.id))).map(
        (s): Block => ({
          wish: 'no-preference',
          query: s.query,
          pieces: pinPieces(underMedia(document, s.ids), layouts, prefix).filter(
            (p) => p.id === `pin:${pin.id}`,
          ),
        }),
      ),
    );
}
