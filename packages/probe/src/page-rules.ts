/**
 * The page’s own rules whose selectors depend on how elements stand in each other. A wrapper around a pinned section makes such a rule
 * miss; the patch then keeps it for the elements that it was meant for.
 */
export interface PageRule {
  selector: string;
  /** declarations, with URLs relative to the page */
  css: string;
  /** at-rules around it, outermost first */
  within: string[];
}

/** A selector that wrapping cannot change: no place among siblings, no child or sibling combinator. */
export const isSteady = (selector: string): boolean =>
  !/[>+~]|:(?:nth|first|last|only|empty|has|is|not|where)/.test(selector.replace(/\[[^\]]*\]/g, ''));

const MAX = 20_000;

/** Reads every style sheet; those that may not be read are fetched once more, as the preview allows. */
export async function readPageRules(): Promise<PageRule[]> {
  const out: PageRule[] = [];
  for (const sheet of document.styleSheets) {
    const within = sheet.media.mediaText ? [`@media ${sheet.media.mediaText}`] : [];
    try {
      collect(sheet.cssRules, within, sheet.href ?? document.baseURI, out);
    } catch {
      if (!sheet.href) continue;
      try {
        const text = await (await fetch(sheet.href)).text();
        const copy = new CSSStyleSheet();
        copy.replaceSync(text);
        collect(copy.cssRules, within, sheet.href, out);
      } catch {
        // A sheet from elsewhere that nobody may read: its rules cannot be kept.
      }
    }
  }
  return out;
}

function collect(rules: CSSRuleList, within: string[], base: string, out: PageRule[]): void {
  for (const rule of rules) {
    if (out.length > MAX) return;
    if (rule instanceof CSSStyleRule) {
      if (!isSteady(rule.selectorText) && rule.style.length)
        for (const selector of splitSelectors(rule.selectorText))
          if (!isSteady(selector)) out.push({ selector, css: relative(rule.style.cssText, base), within });
    } else if (rule instanceof CSSImportRule) {
      try {
        if (rule.styleSheet) collect(rule.styleSheet.cssRules, within, rule.styleSheet.href ?? base, out);
      } catch {
        // As above.
      }
    } else if ('cssRules' in rule && !(rule instanceof CSSKeyframesRule)) {
      const head = rule.cssText.slice(0, rule.cssText.indexOf('{')).trim();
      collect((rule as CSSGroupingRule).cssRules, [...within, head], base, out);
    }
  }
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

/** URLs count from the style sheet; the kept rule stands beside the page. */
function relative(css: string, base: string): string {
  const folder = new URL('.', document.baseURI).href;
  return css.replace(/url\("([^"]*)"\)/g, (whole, url: string) => {
    if (/^(data:|#|https?:|\/\/)/.test(url)) return whole;
    const absolute = new URL(url, base).href;
    return absolute.startsWith(folder) ? `url("${absolute.slice(folder.length)}")` : `url("${absolute}")`;
  });
}
