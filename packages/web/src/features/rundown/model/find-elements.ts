/** Finding elements of the page by what people or code call them. */
import { elementName } from '@lyvek/core';
import type { ElementFacts, Layout } from '@lyvek/core';
import { computeRank } from '../../../ui/ranked.ts';

export interface FoundElement {
  element: number;
  name: string;
  /** tag, id and classes */
  code: string;
}

export const elementCode = (e: ElementFacts): string => `${e.tag}${e.idClass ?? ''}`;

/** By name, alternative text, text, tag, id, class or selector; the best first, at most `most`. */
export function findElements(query: string, layout: Layout, most: number): FoundElement[] {
  if (query.trim() === '') return [];
  const found: (FoundElement & { rank: number })[] = [];
  layout.elements.forEach((e, element) => {
    const name = elementName(e, layout);
    const code = elementCode(e);
    const rank = computeRank(query, {
      name,
      words: `${code} ${e.tag} ${code.replace(/[.#]/g, ' ')}`,
      what: `${e.text} ${e.selector}`,
    });
    if (rank !== null) found.push({ element, name, code, rank });
  });
  return found.sort((a, b) => a.rank - b.rank).slice(0, most);
}
