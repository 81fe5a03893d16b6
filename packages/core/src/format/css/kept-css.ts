/** Rules of the page that a pin’s wrapper would make miss, written again so that they hold for the marked elements too. */
import type { Layout } from '../../page/index.ts';
import { MARK, toMark } from '../selectors/marks.ts';
import type { Piece } from './piece.ts';
import { indent } from './rule.ts';

const PSEUDO = /::?(?:before|after|first-line|first-letter|placeholder|marker|selection)$/;

/** The piece that the probe writes by itself, in the same turn as the wrapper. */
export const KEPT = 'kept';

/**
 * `:is()` takes the weight of its heaviest part and `:where()` has none, so a kept rule weighs what it weighed. One piece, or none.
 */
export function keptPieces(layout: Pick<Layout, 'marked' | 'kept'>): Piece[] {
  const marked = new Set(layout.marked ?? []);
  const rules = (layout.kept ?? [])
    .filter((r) => marked.has(r.selector))
    .map(({ selector, css, within }) => {
      const pseudo = PSEUDO.exec(selector)?.[0] ?? '';
      const own = pseudo ? selector.slice(0, -pseudo.length) || '*' : selector;
      const rule = `:is(${own}, :where([${MARK}~="${toMark(selector)}"]))${pseudo} { ${css} }`;
      return within.reduceRight((inner, head) => `${head} {\n${indent(inner, '  ')}\n}`, rule);
    });
  if (rules.length === 0) return [];
  return [{ id: KEPT, motions: [], stays: true, rules: rules.join('\n'), keyframes: '' }];
}
