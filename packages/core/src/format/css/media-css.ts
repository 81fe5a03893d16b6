/** Media conditions of a document as `@media`: which sets of them are written, and what each of them changes. */
import { itemAt } from '../../assert/index.ts';
import { parseMedia, viewportFor } from '../../page/index.ts';
import type { Media, MotionDocument } from '../../motion/index.ts';
import { slug } from '../selectors/names.ts';
import { toPiece } from './piece.ts';
import type { Piece } from './piece.ts';
import { declaredBy, ruleText } from './rule.ts';
import type { Declarations, StyleRule } from './rule.ts';

/** Some media conditions that hold together. */
export interface MediaSet {
  ids: string[];
  query: string;
  /** what the names of its keyframes get added */
  suffix: string;
}

/** As one part of a longer condition. */
const part = (query: string): string => (/\b(?:and|or|not)\b/.test(query) ? `(${query})` : query);
const not = (query: string): string => `(not ${part(query)})`;
const together = (queries: readonly string[]): string =>
  queries.length === 1 ? itemAt(queries, 0) : queries.map(part).join(' and ');

const ANYWHERE = { width: 1280, height: 800 };
/** Whether some screen meets it; one that asks for reduced motion is left to the browser. */
const isPossible = (query: string): boolean =>
  query.includes('prefers-reduced-motion') ? parseMedia(query).ok : viewportFor(query, ANYWHERE) !== null;

/** More of them are not written in every combination. */
const MAX_TOGETHER = 4;

/** Sets in the order of the cascade: single ones as in the document, then what only holds where several do. */
export function mediaSets(d: MotionDocument): MediaSet[] {
  const used = d.media.filter((m) =>
    [...d.motions, ...d.pins].some((one) => one.conditions?.some((c) => c.media === m.id)),
  );
  const most = used.length > MAX_TOGETHER ? 2 : used.length;
  return subsets(used)
    .filter((s) => s.length > 0 && s.length <= most)
    .sort((a, b) => a.length - b.length)
    .map((s) => ({
      ids: s.map((m) => m.id),
      query: together(s.map((m) => m.query)),
      suffix: s.map((m) => `-${slug(m.name)}`).join(''),
    }))
    .filter((s) => isPossible(s.query));
}

/** In the order of the list, so that singles keep it. */
function subsets<T>(list: readonly T[]): T[][] {
  return list.reduce<T[][]>((all, one) => [...all, ...all.map((s) => [...s, one])], [[]]);
}

/**
 * Every way in which some conditions can hold or not, each with the condition under which it is just that way. For what cannot be taken
 * back by a later rule.
 */
export function mediaStates(media: readonly Media[]): { ids: string[]; query: string | null }[] {
  return subsets(media)
    .map((s) => ({
      ids: s.map((m) => m.id),
      query:
        media.length === 1 && s.length === 1
          ? itemAt(media, 0).query
          : media.map((m) => (s.includes(m) ? part(m.query) : not(m.query))).join(' and ') || null,
    }))
    .filter((s) => s.query === null || isPossible(s.query));
}

/** What is seen of each piece so far, as the cascade has it. */
export class WrittenRules {
  private readonly put: { ids: readonly string[]; pieces: ReadonlyMap<string, Piece> }[] = [];

  /** What has to be written again where a set of conditions holds: of each piece what differs there. */
  changed(set: Pick<MediaSet, 'ids'>, pieces: readonly Piece[], isNothing: (p: Piece) => boolean): Piece[] {
    const below = this.put.filter((b) => b.ids.every((id) => set.ids.includes(id)));
    const changed = pieces.flatMap((p) => {
      const seen = below.flatMap((b) => b.pieces.get(p.id) ?? []);
      if (seen.length === 0) return isNothing(p) ? [] : [p];
      const now = toPiece({ ...p, styles: overSeen(p.styles, seen) });
      return now.rules ? [now] : [];
    });
    if (changed.length) this.put.push({ ids: set.ids, pieces: byId(changed) });
    return changed;
  }
}

const byId = (pieces: readonly Piece[]) => new Map(pieces.map((p) => [p.id, p]));
const place = (s: StyleRule) => `${s.within ?? ''}\n${s.selector}`;

/** Rules less what is seen of them. A rule inside of another at-rule is overruled by a later one of the same properties, so it is said again with it. */
function overSeen(styles: readonly StyleRule[], seen: readonly Piece[]): StyleRule[] {
  const all = seen.flatMap((p) => p.styles);
  const made = styles.map((s) => ({
    ...s,
    over: Object.assign({}, ...all.filter((o) => place(o) === place(s)).map(declaredBy)) as Declarations,
  }));
  const inside = new Set(
    [...styles, ...all].flatMap((s) => (s.within === undefined ? [] : Object.keys(s.set))),
  );
  const isOverruled = made.some(
    (s) => s.within === undefined && Object.keys(declaredBy(s)).some((property) => inside.has(property)),
  );
  const isSame = made.every((s) => s.within === undefined || !ruleText(s));
  return isSame && !isOverruled ? made : [...styles];
}
