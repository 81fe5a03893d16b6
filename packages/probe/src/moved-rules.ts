/**
 * Rules of the page that wrappers make miss elements, or hit others by accident: one that counts children finds the section first and last in
 * its wrapper, and those after it one place sooner.
 */
import { MARK, splitPseudo, toRuleMark } from '@lyvek/core/marks';
import { all } from './dom.ts';
import { isSteady, keepRule, matches, writeOnly } from './page-rules.ts';
import type { KeptRule, PageRule } from './page-rules.ts';

/** Rules that wrapping can change, with what they match; asked before anything is wrapped. */
export function askRules(rules: readonly PageRule[]): Map<string, Element[]> {
  const hosts = rules.map((r) => splitPseudo(r.selector)[0]).filter((host) => !isSteady(host));
  return new Map(
    [...new Set(hosts)].map((host) => {
      try {
        return [host, all(host)];
      } catch {
        return [host, []];
      }
    }),
  );
}

export interface Moved {
  kept: KeptRule[];
  marks: [element: Element, mark: string][];
}

/** `made`: elements that were not there before. */
export function moveRules(
  rules: readonly PageRule[],
  before: ReadonlyMap<string, readonly Element[]>,
  made: ReadonlySet<Element>,
): Moved {
  const out: Moved = { kept: [], marks: [] };
  const missed = new Map<string, Set<Element>>();
  const gained = new Map<string, Element[]>();
  for (const [host, was] of before) {
    const is = new Set(was.length || made.size ? all(host) : []);
    const lost = was.filter((e) => !is.has(e));
    if (lost.length) missed.set(host, new Set(lost));
    for (const e of lost) out.marks.push([e, toRuleMark(host, 'missed')]);
    for (const e of was) is.delete(e);
    const more = [...is].filter((e) => !made.has(e));
    if (more.length) gained.set(host, more);
    for (const e of more) out.marks.push([e, toRuleMark(host, 'gained')]);
  }
  for (const rule of rules) {
    const [host] = splitPseudo(rule.selector);
    if (missed.has(host)) out.kept.push(keepRule(rule, rule.style.cssText));
  }
  const held = (host: string, e: Element) => before.get(host)?.includes(e) ?? matches(e, host);
  for (const accident of rules) {
    const [host, pseudo] = splitPseudo(accident.selector);
    const elements = gained.get(host);
    if (!elements) continue;
    const put = (rule: PageRule, selector: string, css: string) =>
      css && out.kept.push({ ...keepRule(rule, css), selector, kind: 'gained', of: host });
    put(
      accident,
      accident.selector,
      writeOnly(accident.style, (name) => !name.startsWith('--') && 'revert-layer'),
    );
    const declared = new Set(accident.style);
    for (const rule of rules) {
      const [own, part] = splitPseudo(rule.selector);
      if (rule === accident || part !== pseudo || !elements.some((e) => held(own, e))) continue;
      // Heavier than the accident by what the rule itself weighs, so that among such rules each has its turn.
      const lost = missed.has(own) ? `, :where([${MARK}~="${toRuleMark(own, 'missed')}"])` : '';
      put(
        rule,
        `:is(${own}${lost}):is(${host})${pseudo}`,
        writeOnly(rule.style, (name, value) => declared.has(name) && value),
      );
    }
  }
  return out;
}
