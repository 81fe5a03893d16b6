/** Rules of the page that a pin’s wrapper would make miss, or hit by accident, written again so that all stands as it stood. */
import type { Layout } from '../../page/index.ts';
import { MARK, toMark } from '../selectors/marks.ts';
import { indent } from './rule.ts';

const PSEUDO = /::?(?:before|after|first-line|first-letter|placeholder|marker|selection)$/;

/**
 * Kept rules as CSS, empty where there are none. `:is()` takes the weight of its heaviest part and `:where()` has none, so each weighs what
 * it weighed. One that belongs to a wrapper holds for nothing else. `tracks`: the classes of wrappers, by pin.
 */
export function keptCss(
  { marked = [], kept = [] }: Pick<Layout, 'marked' | 'kept'>,
  tracks: ReadonlyMap<string, string>,
): string {
  const misses = new Set(marked);
  return kept
    .flatMap(({ selector, css, within, track }) => {
      const pseudo = PSEUDO.exec(selector)?.[0] ?? '';
      const own = pseudo ? selector.slice(0, -pseudo.length) || '*' : selector;
      const name = track === undefined ? undefined : tracks.get(track);
      const found =
        track === undefined
          ? misses.has(selector) && `:is(${own}, :where([${MARK}~="${toMark(selector)}"]))`
          : name !== undefined && `:is(${own}, :where(.${name})):where(.${name})`;
      if (!found) return [];
      return within.reduceRight(
        (inner, head) => `${head} {\n${indent(inner, '  ')}\n}`,
        `${found}${pseudo} { ${css} }`,
      );
    })
    .join('\n');
}
