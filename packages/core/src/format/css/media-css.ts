/** Media conditions of a document as `@media`: which sets of them are written, and what each of them changes. */
import { itemAt } from '../../assert/index.ts';
import { parseMedia, viewportFor } from '../../page/index.ts';
import type { Media, MotionDocument } from '../../motion/index.ts';
import { slug } from '../selectors/names.ts';
import type { Piece } from './piece.ts';

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
  private readonly put: { ids: string[]; rules: Map<string, string> }[] = [];

  constructor(base: readonly Piece[]) {
    this.put.push({ ids: [], rules: new Map(base.map((p) => [p.id, p.rules])) });
  }

  /** The pieces that have to be written again where a set of conditions holds. */
  changed(set: MediaSet, pieces: readonly Piece[], isNothing: (p: Piece) => boolean): Piece[] {
    const below = this.put.filter((b) => b.ids.every((id) => set.ids.includes(id)));
    const seen = (id: string) => below.findLast((b) => b.rules.has(id))?.rules.get(id);
    const changed = pieces.filter((p) => {
      const rules = seen(p.id);
      return rules === undefined ? !isNothing(p) : rules !== p.rules;
    });
    if (changed.length) this.put.push({ ids: set.ids, rules: new Map(changed.map((p) => [p.id, p.rules])) });
    return changed;
  }
}
