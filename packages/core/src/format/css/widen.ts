/** `.card:not(.card.late)` beside `.card.late`: a rule for all cards, and one after it for the late ones. */
import { itemAt } from '../../assert/index.ts';
import { splitTop } from '../../text/index.ts';
import { compareWeights, weighText } from '../selectors/specificity.ts';
import { isReset } from './animation-lists.ts';
import type { StyleRule } from './rule.ts';

interface Except {
  /** all, the selectors of a list apart */
  all: string[];
  /** those that are taken out */
  but: string[];
}

/** A selector that ends in one `:not()`; null for another one. */
export function splitExcept(selector: string): Except | null {
  if (splitTop(selector).length > 1 || !selector.endsWith(')')) return null;
  const at = matchingOpen(selector) - ':not'.length;
  if (at <= 0 || !selector.startsWith(':not(', at)) return null;
  const base = selector.slice(0, at);
  if (/[\s>+~]$/.test(base)) return null;
  const list = /^:is\(([^()]*)\)$/.exec(base)?.[1];
  return { all: list === undefined ? [base] : splitTop(list), but: splitTop(selector.slice(at + 5, -1)) };
}

/** Where the last bracket opens that stands in no other one; brackets in strings are none. */
function matchingOpen(selector: string): number {
  let depth = 0;
  let quote = '';
  let last = -1;
  for (let i = 0; i < selector.length; i++) {
    const c = itemAt(selector, i);
    if (c === '\\') i++;
    else if (quote) quote = c === quote ? '' : quote;
    else if (c === '"' || c === "'") quote = c;
    else if (c === '(' && depth++ === 0) last = i;
    else if (c === ')') depth--;
  }
  return last;
}

const collectParts = (styles: readonly StyleRule[]): Set<string> =>
  new Set(styles.flatMap((s) => splitTop(s.selector)));

/**
 * Whether a rule may be written for all without its exceptions: each of those has a rule of its own that says everything anew, and wins; by
 * its weight, or among the rules of the same `group`, which come after it, by its place.
 */
export function widenable(
  style: StyleRule,
  group: readonly StyleRule[],
  whole: readonly StyleRule[],
): boolean {
  const except = splitExcept(style.selector);
  if (!except || !isReset(style.set)) return false;
  const [after, all] = [collectParts(group), collectParts(whole)];
  return except.but.every((part) => {
    return except.all.every((base) => {
      const own = all.has(part) ? part : [...all].find((s) => isBoth(s, base, part));
      const [weight, less] = [own === undefined ? null : weighText(own), weighText(base)];
      if (own === undefined || weight === null || less === null) return false;
      return compareWeights(weight, less) >= (after.has(own) ? 0 : 1);
    });
  });
}

/** Whether a rule is one of those that another takes out: `.card.late` of `.card:not(.late)`. */
export function isException(style: StyleRule, of: StyleRule): boolean {
  const except = splitExcept(of.selector);
  const isOwn = (part: string) =>
    style.selector === part || except?.all.some((base) => isBoth(style.selector, base, part));
  return except?.but.some(isOwn) === true;
}

/** `.card:not(.late)` is all cards but `.card.late`. */
const isBoth = (selector: string, base: string, part: string): boolean =>
  isCompound(base, part) && toCompound(selector) !== null && toCompound(selector) === toCompound(base + part);

/** The same for the same simple selectors in any order; null for what is more than one compound. */
const toCompound = (selector: string): string | null =>
  /[\s>+~,()]|::/.test(selector) ? null : (selector.match(/[.#[:]?[^.#[:]+/g) ?? []).sort().join('');

/** Whether two compounds can be written as one. */
const isCompound = (base: string, part: string): boolean =>
  /^[.#[:]/.test(part) && !/[\s>+~,]|::/.test(part + base);

/** Whether a selector finds only what another one does: `.card.late` what `.card` does. */
function isWithin(part: string, all: string): boolean {
  if (part === all) return false;
  const [own, others] = [part, all].map((s) =>
    /[\s>+~,()]|::/.test(s) ? null : s.match(/[.#[:]?[^.#[:]+/g),
  );
  if (own && others) return others.every((simple) => own.includes(simple));
  return part.startsWith(all) && /^[.:[#][^\s>+~]*$/.test(part.slice(all.length)) && !part.includes('::');
}

/** Selectors of one rule, without what others of them find already. `widened`: those that are written without their exceptions. */
export function joinedParts(selectors: readonly string[], widened: ReadonlySet<string>): string[] {
  const parts = selectors.flatMap((s) => (widened.has(s) ? (splitExcept(s)?.all ?? [s]) : [s]));
  return [...new Set(parts)].filter((p) => !parts.some((other) => isWithin(p, other)));
}
