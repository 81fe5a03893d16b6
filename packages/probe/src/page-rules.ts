/**
 * The page’s own rules. A wrapper around a pinned section makes those miss whose selectors depend on how elements stand in each other, and
 * some hit the wrapper itself; the patch then has them written again.
 */
import type { Layout } from '@lyvek/core';

export interface PageRule {
  selector: string;
  /** what it declares, and what its URLs count from */
  style: CSSStyleDeclaration;
  base: string;
  /** at-rules around it, outermost first */
  within: string[];
}

/** A rule as it is written again, with URLs relative to the page. */
export type KeptRule = NonNullable<Layout['kept']>[number];

/** A selector that wrapping cannot change: no place among siblings, no child or sibling combinator. */
export const isSteady = (selector: string): boolean =>
  !/[>+~]|:(?:nth|first|last|only|empty|has|is|not|where)/.test(selector.replace(/\[[^\]]*\]/g, ''));

const MAX = 20_000;

/** Reads every style sheet; those that may not be read are fetched once more, as the preview allows. */
export async function readPageRules(): Promise<PageRule[]> {
  const out: PageRule[] = [];
  for (const sheet of document.styleSheets) {
    const within = sheet.media.mediaText ? [`@media ${sheet.media.mediaText}`] : [];
    const base = sheet.href ?? document.baseURI;
    try {
      collect(sheet.cssRules, { within, base, parent: null }, out);
    } catch {
      if (!sheet.href) continue;
      try {
        const text = await (await fetch(sheet.href)).text();
        const copy = new CSSStyleSheet();
        copy.replaceSync(text);
        collect(copy.cssRules, { within, base, parent: null }, out);
      } catch {
        // A sheet from elsewhere that nobody may read: its rules cannot be kept.
      }
    }
  }
  return out;
}

/** Names of the `@keyframes` in the sheets that may be read; those of the preview are adopted, and stand elsewhere. */
function readKeyframeNames(): Set<string> {
  const names = new Set<string>();
  const walk = (rules: CSSRuleList) => {
    for (const rule of rules) {
      if (rule instanceof CSSKeyframesRule) names.add(rule.name);
      else if ('cssRules' in rule) walk(rule.cssRules as CSSRuleList);
      else if (rule instanceof CSSImportRule && rule.styleSheet) tryWalk(rule.styleSheet);
    }
  };
  const tryWalk = (sheet: CSSStyleSheet) => {
    try {
      walk(sheet.cssRules);
    } catch {
      // From elsewhere: nobody may read it.
    }
  };
  for (const sheet of document.styleSheets) tryWalk(sheet);
  return names;
}

/** Those that are not free for what is written next. */
export const listKeyframeNames = (): string[] =>
  [...readKeyframeNames()].filter((n) => !n.startsWith('lv-')).slice(0, 2000);

export function hasKeyframes(names: readonly string[]): boolean {
  const known = readKeyframeNames();
  return names.every((n) => known.has(n));
}

/** Where rules stand: `parent` is the selector list of the rule that they are nested in. */
interface Around {
  within: string[];
  base: string;
  parent: string | null;
}

function collect(rules: CSSRuleList, around: Around, out: PageRule[]): void {
  const { within, base, parent } = around;
  for (const rule of rules) {
    if (out.length > MAX) return;
    if (rule instanceof CSSStyleRule) {
      const list = parent === null ? rule.selectorText : unnested(rule.selectorText, parent);
      add(list, rule.style, around, out);
      collect(rule.cssRules, { within, base, parent: list }, out);
    } else if (rule instanceof CSSImportRule) {
      try {
        if (rule.styleSheet)
          collect(rule.styleSheet.cssRules, { ...around, base: rule.styleSheet.href ?? base }, out);
      } catch {
        // As above.
      }
    } else if ('cssRules' in rule && !(rule instanceof CSSKeyframesRule)) {
      const head = rule.cssText.slice(0, rule.cssText.indexOf('{')).trim();
      collect((rule as CSSGroupingRule).cssRules, { ...around, within: [...within, head] }, out);
    } else if ('style' in rule && parent !== null && rule.constructor.name === 'CSSNestedDeclarations') {
      add(parent, rule.style as CSSStyleDeclaration, around, out);
    }
  }
}

function add(list: string, style: CSSStyleDeclaration, { within, base }: Around, out: PageRule[]): void {
  if (style.length) for (const selector of splitSelectors(list)) out.push({ selector, style, base, within });
}

/** A nested selector as it would stand by itself: `&` weighs what `:is()` of the outer list weighs (CSS Nesting 1, §3.1). */
function unnested(list: string, parent: string): string {
  const outer = `:is(${parent})`;
  return splitSelectors(list)
    .map((s) => (s.includes('&') ? s.replaceAll('&', outer) : `${outer} ${s}`))
    .join(', ');
}

/** Splits a selector list at its outer commas. */
export function splitSelectors(list: string): string[] {
  const out: string[] = [''];
  let depth = 0;
  for (const c of list) {
    if (c === '(' || c === '[') depth++;
    if (c === ')' || c === ']') depth--;
    if (c === ',' && depth === 0) out.push('');
    else out[out.length - 1] += c;
  }
  return out.map((s) => s.trim()).filter(Boolean);
}

/** A rule to be written again with these declarations; the kept rule stands beside the page, so its URLs count from there. */
export const keepRule = ({ selector, within, base }: PageRule, css: string): KeptRule => ({
  selector,
  css: fromPage(css, base),
  within,
});

const fromPage = (css: string, base: string): string =>
  css.replace(/url\("([^"]*)"\)/g, (whole, url: string) => {
    if (/^(data:|#|https?:|\/\/)/.test(url)) return whole;
    const folder = new URL('.', document.baseURI).href;
    const absolute = new URL(url, base).href;
    return absolute.startsWith(folder) ? `url("${absolute.slice(folder.length)}")` : `url("${absolute}")`;
  });

/** Declarations with the values that `value` gives, where it gives one, and more of them, as the browser writes them together. */
export function writeOnly(
  from: CSSStyleDeclaration,
  value: (name: string, value: string) => string | false,
  more: Readonly<Record<string, string>> = {},
): string {
  const to = document.createElement('div').style;
  const put = (name: string, text: string | false) =>
    text && to.setProperty(name, text, from.getPropertyPriority(name));
  for (const name of from) put(name, value(name, from.getPropertyValue(name)));
  for (const [name, text] of Object.entries(more)) put(name, text);
  return to.cssText;
}

/** False too where the browser does not understand the selector. */
export function matches(e: Element, selector: string): boolean {
  try {
    return e.matches(selector);
  } catch {
    return false;
  }
}
