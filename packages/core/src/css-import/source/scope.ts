/** Rules inside `@scope`, with selectors that stand by themselves (CSS Cascading 6, §2.5). How near the root is does not count here. */
import { readSelectors } from './selector.ts';
import { splitTop } from '../../text/index.ts';
import type { ReadSelector } from './selector.ts';

export interface Scope {
  /** selector of the elements that a scope begins with */
  root: string;
  /** of those that it ends before; null: it has no lower end */
  limit: string | null;
}

/** What `@scope (root) to (limit)` says; null where its root is what its style element stands in, or cannot be read. */
export function readScope(params: string): Scope | null {
  const [start = '', to = 'to', end = null, ...more] = splitTop(params, ' ').filter((part) => part !== '');
  const inner = (part: string) => /^\((.*)\)$/s.exec(part)?.[1]?.trim();
  const root = inner(start);
  const limit = end === null ? null : (inner(end) ?? '');
  if (to.toLowerCase() !== 'to' || more.length > 0) return null;
  if (root === undefined || !readSelectors(root) || (limit !== null && !readSelectors(limit))) return null;
  return { root, limit };
}

const ROOT = /:scope\b|&/g;
const PSEUDO = /::?(before|after)$/i;

/** A selector of such a rule as it finds the same elements outside of it, with the weight that it has inside. */
export function scoped(selector: ReadSelector, { root, limit }: Scope): ReadSelector {
  const names = splitTop(root);
  const within = names.flatMap((r) => [r, `${r} *`]).join(', ');
  const pseudo = PSEUDO.exec(selector.text)?.[0] ?? '';
  const own = selector.text.slice(0, selector.text.length - pseudo.length);
  const ofRoot = own.replace(ROOT, `:where(${root})`);
  const inside = ofRoot === own ? `${own}:where(${within})` : ofRoot;
  const beyond =
    limit === null
      ? ''
      : `:not(${splitTop(limit)
          .flatMap((l) => listBeyond(names, l))
          .join(', ')})`;
  return { ...selector, text: inside + beyond + pseudo };
}

/** What lies at a scope’s lower end, and below. */
function listBeyond(roots: readonly string[], limit: string): string[] {
  const ofRoot = limit.replace(ROOT, `:where(${roots.join(', ')})`);
  const ends = ofRoot === limit ? roots.map((r) => `:where(${r}) ${limit}`) : [ofRoot];
  return ends.flatMap((e) => [`:where(${e})`, `:where(${e}) *`]);
}
