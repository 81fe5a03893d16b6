/** Media conditions under which a page moves something: which there are, which hold wherever others do, and which can hold together. */
import { mediaImplies, viewportFor } from '../../page/index.ts';
import { oneQuery } from './conditions.ts';
import type { ReadRule, ReadRules } from './rules.ts';
import type { PageMedia } from '../compose/slots.ts';

/** A document has so many, as its schema says. */
export const MAX_CONDITIONS = 20;

/** Conditions of rules that move something, those with more queries later: they have the last word. */
function listMedia({ rules, keyframes }: ReadRules, moves: (rule: ReadRule) => boolean): PageMedia[] {
  const found = new Map<string, PageMedia>();
  for (const { media } of [...rules.filter(moves), ...keyframes])
    if (media.queries.length && media.obstacle === null && !media.never) {
      const key = oneQuery(media.queries);
      if (!found.has(key)) found.set(key, { key, queries: media.queries });
    }
  return [...found.values()].sort((a, b) => a.queries.length - b.queries.length);
}

export class PageConditions {
  readonly media: readonly PageMedia[];
  private readonly beyond: ReadonlySet<string>;
  private readonly implied = new Map<string, boolean>();
  private readonly possible = new Map<string, boolean>();

  constructor(rules: ReadRules, moves: (rule: ReadRule) => boolean) {
    const all = listMedia(rules, moves);
    this.media = all.slice(0, MAX_CONDITIONS);
    this.beyond = new Set(all.slice(MAX_CONDITIONS).map((m) => m.key));
  }

  /** A document has no room for this one. */
  isBeyond(queries: readonly string[]): boolean {
    return this.beyond.size > 0 && queries.length > 0 && this.beyond.has(oneQuery(queries));
  }

  /** Whether one holds wherever another one does: (min-width: 1024px) is never met without (min-width: 768px). */
  implies(a: PageMedia, b: PageMedia): boolean {
    if (a === b) return false;
    const key = `${a.key}\n${b.key}`;
    const known = this.implied.get(key);
    if (known !== undefined) return known;
    const is = b.queries.every((q) => a.queries.some((own) => mediaImplies(own, q)));
    this.implied.set(key, is);
    return is;
  }

  /** Some screen meets all of these, as far as that is known. */
  canHold(queries: readonly string[]): boolean {
    const query = [...new Set(queries)].map((q) => `(${q})`).join(' and ');
    const known = this.possible.get(query);
    if (known !== undefined) return known;
    const is = viewportFor(query, { width: 1280, height: 800 }) !== null;
    this.possible.set(query, is);
    return is;
  }
}
