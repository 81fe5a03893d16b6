/** Heights that a page declares as a share of the viewport: where a phone’s bars come and go, it matters in which unit. */
import { readStyle } from './dom.ts';
import type { PageRule } from './page-rules.ts';

const PROPERTIES = ['height', 'min-height', 'block-size', 'min-block-size'];
const SHARE = /^([\d.]+)(vh|dvh|svh|lvh|vb|dvb)$/;

const listShares = ({ style }: PageRule): [property: string, value: string][] =>
  PROPERTIES.map((p): [string, string] => [p, style.getPropertyValue(p)]).filter(([, v]) => SHARE.test(v));

export const hasShares = (rule: PageRule): boolean => listShares(rule).length > 0;

/** By element, as far as the rule that says so is the one that counts: elsewhere the computed height is another one. */
export function findHeights(rules: readonly PageRule[]): Map<Element, { property: string; value: string }> {
  const found = new Map<Element, { property: string; value: string }>();
  for (const rule of rules)
    for (const [property, value] of listShares(rule))
      for (const e of matching(rule.selector)) {
        const share = (Number(SHARE.exec(value)![1]) / 100) * innerHeight;
        const computed = parseFloat(readStyle(e).getPropertyValue(property));
        if (Math.abs(computed - share) < 0.5) found.set(e, { property, value });
      }
  return found;
}

function matching(selector: string): Iterable<Element> {
  try {
    return document.querySelectorAll(selector);
  } catch {
    return [];
  }
}
