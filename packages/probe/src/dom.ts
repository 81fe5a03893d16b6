/** Short ways to what is asked of a page again and again; every script that goes into pages carries them once. */

export const readStyle = (e: Element, pseudo?: string): CSSStyleDeclaration => getComputedStyle(e, pseudo);

export const readRect = (e: Element): DOMRect => e.getBoundingClientRect();

/** Throws where the browser does not understand the selector. */
export const all = (selector: string): Element[] => [...document.querySelectorAll(selector)];

/** px of a computed length; 0 for words. */
export const px = (length: string): number => parseFloat(length) || 0;

/** What the page is scrolled by. */
export const pageScroller = (): Element => document.scrollingElement ?? document.documentElement;

/** What the page does with what is too large for it, across: of html, and of body. */
export const pageOverflow = (): [html: string, body: string] => [
  readStyle(document.documentElement).overflowX,
  document.body ? readStyle(document.body).overflowX : 'visible',
];
