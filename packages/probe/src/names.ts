/** Names of elements: what people would call them, and what they are called in code. */
import { TEXT_PART } from '@lyvek/core/part';
import { shorten, wellFormed } from '@lyvek/core/text';
import type { ElementFacts } from '@lyvek/core';

export const hasOwnText = (e: Element) =>
  [...e.childNodes].some((n) => n.nodeType === Node.TEXT_NODE && n.nodeValue!.trim() !== '');

const HEADINGS = 'h1, h2, h3, h4, h5, h6, figcaption';
const rank = (e: Element | undefined) => Number(/^H(\d)$/.exec(e?.tagName ?? '')?.[1] ?? 9);

/** Its heading: the first in it, where no other one is of the same rank. What holds several cards is not called like the first of them. */
function findHeading(e: Element): Element | null {
  const [first, ...others] = e.querySelectorAll(HEADINGS);
  return first && others.every((o) => rank(o) > rank(first)) ? first : null;
}

/** What people would call it, and what it is called in code. */
export function readNames(e: Element): Pick<ElementFacts, 'text' | 'label' | 'idClass'> {
  const heading = hasOwnText(e) ? null : findHeading(e);
  const label = tidy(
    e.getAttribute('aria-label') ||
      e.getAttribute('alt') ||
      (e.localName === TEXT_PART && e.getAttribute('data-text')) ||
      heading?.textContent ||
      (e instanceof SVGElement && e.querySelector(':scope > title')?.textContent) ||
      '',
  );
  const idClass = [e.id && `#${e.id}`, ...[...e.classList].map((c) => `.${c}`)].join('');
  return {
    text: label || readText(e),
    ...(label ? { label } : {}),
    ...(idClass ? { idClass: shorten(wellFormed(idClass), 300) } : {}),
  };
}

/** Its own words, with spaces kept between blocks. */
function readText(e: Element): string {
  const words: string[] = [];
  const walker = document.createTreeWalker(e, NodeFilter.SHOW_TEXT);
  for (let n = walker.nextNode(), size = 0; n && size < 80; n = walker.nextNode()) {
    if (/^(script|style)$/.test(n.parentElement?.localName ?? '')) continue;
    words.push(n.nodeValue!);
    size += n.nodeValue!.trim().length;
  }
  return tidy(words.join(' '));
}

const tidy = (text: string) => shorten(wellFormed(text.slice(0, 600)).replace(/\s+/g, ' ').trim(), 60);
