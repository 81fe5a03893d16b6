/**
 * Pseudo-elements that move by themselves: what an element draws before or after its content (CSS Pseudo-elements 4, §4). In a layout
 * each is an element of its own, whose parent draws it.
 */
import type { ElementFacts } from './layout.ts';

export const PARTS = ['::before', '::after'] as const;

const ENDS_IN_PART = /^(.*?)::?(before|after)$/s;
const hasList = (selector: string): boolean => {
  let depth = 0;
  for (const c of selector) {
    if (c === '(' || c === '[') depth++;
    else if (c === ')' || c === ']') depth--;
    else if (c === ',' && depth === 0) return true;
  }
  return false;
};

/** `.card::after` as what draws it and the pseudo-element; the latter is empty for elements themselves, and for lists of selectors. */
export function splitPart(selector: string): [host: string, part: string] {
  const found = ENDS_IN_PART.exec(selector.trim());
  if (!found || hasList(selector)) return [selector, ''];
  return [found[1] || '*', `::${found[2]}`];
}

export const isPart = (e: Pick<ElementFacts, 'tag'>): boolean => e.tag.startsWith('::');

/** What the script makes of each line, word or letter that moves by itself. */
export const TEXT_PART = 'text-part';

/** `.title text-part` as the text whose parts are meant; any other selector as it is. */
export const splitHost = (selector: string): string =>
  selector.endsWith(` ${TEXT_PART}`) ? selector.slice(0, -TEXT_PART.length - 1) : selector;
