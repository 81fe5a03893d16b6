/** Rules of the page that a pin’s wrapper would make miss, or hit by accident, written again so that all stands as it stood. */
import type { Layout } from '../../page/index.ts';
import { MARK, splitPseudo, toRuleMark } from '../selectors/marks.ts';
import { indent } from './rule.ts';

type Kept = NonNullable<Layout['kept']>[number];

/**
 * Kept rules as CSS, empty where there are none. `:is()` takes the weight of its heaviest part and `:where()` has none, so each weighs what
 * it weighed, and holds only for what it is written for. `tracks`: the classes of wrappers, by pin.
 */
export const keptCss = (kept: readonly Kept[], tracks: ReadonlyMap<string, string>): string =>
  kept
    .flatMap((rule) => {
      const [own, pseudo] = splitPseudo(rule.selector);
      const target = findTarget(rule, own, tracks);
      if (target === null) return [];
      const only = `:where(${target})`;
      const found =
        own === '*' ? only : rule.kind === 'gained' ? `${own}${only}` : `:is(${own}, ${only})${only}`;
      return rule.within.reduceRight(
        (inner, head) => `${head} {\n${indent(inner, '  ')}\n}`,
        `${found}${pseudo} { ${rule.css} }`,
      );
    })
    .join('\n');

/** Null where its pin is not there any more. */
function findTarget(
  { kind = 'missed', of = '' }: Kept,
  own: string,
  tracks: ReadonlyMap<string, string>,
): string | null {
  if (kind === 'missed' || kind === 'gained')
    return `[${MARK}~="${toRuleMark(kind === 'missed' ? own : of, kind)}"]`;
  const name = tracks.get(of);
  return name === undefined ? null : kind === 'track' ? `.${name}` : `.${name} > :last-child`;
}
