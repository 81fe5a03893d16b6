/** Rules nested as people do it: what is found inside of an element stands inside of its rule (CSS Nesting 1). */
import * as csstree from 'css-tree';
import { itemAt } from '../../assert/index.ts';
import { splitTop } from '../../text/index.ts';
import type { Piece } from './piece.ts';

/** A rule as it is written, with the pieces that it is of. */
export interface WrittenRule {
  /** inside of a nest: relative to what is around it; empty for the element of that itself */
  selector: string;
  /** an at-rule around it */
  within?: string | undefined;
  /** its declarations */
  lines: readonly string[];
  pieces: Piece[];
}

export interface NestedRule extends WrittenRule {
  inside: readonly NestedRule[];
}

/**
 * Where compounds of a selector end, so that what stands before can be the rule around the rest: `.a > .b` gives 2 and 7. None where it is a
 * list, whose parts weigh differently once they stand for `&`, or ends in a pseudo-element, which has nothing inside.
 */
function listEnds(selector: string): number[] {
  try {
    const ast = csstree.parse(selector, { context: 'selectorList', positions: true });
    if (ast.type !== 'SelectorList' || ast.children.size !== 1) return [];
    const [only] = ast.children.toArray();
    const nodes = only?.type === 'Selector' ? only.children.toArray() : [];
    if (nodes.some((n) => n.type === 'PseudoElementSelector')) nodes.pop();
    return nodes.flatMap((n, i) => {
      const next = nodes[i + 1];
      return n.type !== 'Combinator' && n.loc && (!next || next.type === 'Combinator')
        ? [n.loc.end.offset]
        : [];
    });
  } catch {
    return [];
  }
}

/** What a selector is inside of the rule around it, empty for the same elements; null where it finds nothing inside of them or beside them. */
function findRest(selector: string, around: string): string | null {
  if (around === '') return selector;
  const rest = selector.startsWith(around) ? selector.slice(around.length) : null;
  if (rest === null || rest === '') return rest;
  // `.card` is no part of `.cards`, nor of `.card, .tile`.
  if (/^[\w-]/.test(rest) || splitTop(selector).length > 1) return null;
  const inner = rest.trim();
  if (rest === inner && !/^[>+~]/.test(rest)) return `&${rest}`;
  return /^[>+~.#[:*]/.test(inner) ? inner : `& ${inner}`;
}

/** Whether a rule can stand inside of one: at-rules around it stay around declarations of the same elements only. */
function fitsIn(rule: WrittenRule, around: string): boolean {
  const rest = findRest(rule.selector, around);
  return rest !== null && (rest === '') === (rule.within !== undefined);
}

/** Up to where rules from a place on stand inside of one. */
function findEnd(rules: readonly WrittenRule[], from: number, around: string): number {
  let end = from + 1;
  while (end < rules.length && fitsIn(itemAt(rules, end), around)) end++;
  return end;
}

interface Nest {
  around: string;
  end: number;
}

/** The rule around as many as possible from a place on, if more than one; its selector as long as that allows. Words alone do not say where they are. */
function findNest(rules: readonly WrittenRule[], from: number, outer: string): Nest | null {
  const first = itemAt(rules, from);
  if (first.within !== undefined) return null;
  const nests = listEnds(first.selector)
    .map((end) => first.selector.slice(0, end))
    .filter((s) => s.length > outer.length && (s === first.selector || /[.#[]/.test(s)))
    .map((around): Nest => ({ around, end: findEnd(rules, from, around) }));
  const most = Math.max(from + 1, ...nests.map((n) => n.end));
  return most === from + 1 ? null : (nests.findLast((n) => n.end === most) ?? null);
}

/** Longhands go with their shorthand. */
const PROPERTY = /^(?:--[\w-]+|[a-z]+)(?=[\w-]*:)/;
const listProperties = ({ lines }: WrittenRule): string[] =>
  lines.flatMap((l) => PROPERTY.exec(l)?.[0] ?? []);

/** What an element itself gets moves down to what is inside of it, past rules that say nothing of the same properties. */
function gathered(rules: readonly WrittenRule[]): WrittenRule[] {
  const out = [...rules];
  for (const rule of rules) {
    if (rule.within !== undefined || listEnds(rule.selector).at(-1) !== rule.selector.length) continue;
    const at = out.indexOf(rule);
    const own = new Set(listProperties(rule));
    const isSaid = (r: WrittenRule) => listProperties(r).some((p) => own.has(p));
    const to = out.findIndex((r, i) => i > at && fitsIn(r, rule.selector));
    if (to <= at + 1 || out.slice(at + 1, to).some(isSaid)) continue;
    out.splice(to, 0, rule);
    out.splice(at, 1);
  }
  return out;
}

/** The same rules nested; the order of those that say something of the same properties stays. */
export const nested = (rules: readonly WrittenRule[]): NestedRule[] => nestedIn(gathered(rules), '');

/** `outer`: selector of the rule around all of them. */
function nestedIn(rules: readonly WrittenRule[], outer: string): NestedRule[] {
  const out: NestedRule[] = [];
  const relative = (selector: string) => findRest(selector, outer) ?? selector;
  for (let i = 0; i < rules.length;) {
    const first = itemAt(rules, i);
    const nest = findNest(rules, i, outer);
    if (nest === null) {
      out.push({ ...first, selector: relative(first.selector), inside: [] });
      i++;
      continue;
    }
    const { around, end } = nest;
    const own = first.selector === around ? first : { lines: [], pieces: [] };
    const inner = rules.slice(own === first ? i + 1 : i, end);
    out.push({ ...own, selector: relative(around), inside: nestedIn(inner, around) });
    i = end;
  }
  return out;
}
