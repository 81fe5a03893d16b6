/** Short ways to what is asked of a page again and again; every script that goes into pages carries them once. */

import { splitPart } from '@lyvek/core/part';

export const readStyle = (e: Element, pseudo?: string): CSSStyleDeclaration => getComputedStyle(e, pseudo);

export const readRect = (e: Element): DOMRect => e.getBoundingClientRect();

/** Throws where the browser does not understand the selector. */
export const all = (selector: string): Element[] => [...document.querySelectorAll(selector)];

/** Whether an element draws this pseudo-element: pictures and fields say they would, and never do. */
export function draws(host: Element, part: string): boolean {
  if (
    !(host instanceof HTMLElement) ||
    /^(IMG|VIDEO|CANVAS|IFRAME|OBJECT|INPUT|TEXTAREA|SELECT)$/.test(host.tagName)
  )
    return false;
  const style = readStyle(host, part);
  return !/^(none|normal|)$/.test(style.content) && style.display !== 'none';
}

/** What a selector finds, and the pseudo-element of it that is meant; empty where it is itself. */
export function findTargets(selector: string): { hosts: Element[]; part: string } {
  const [host, part] = splitPart(selector);
  return { hosts: part ? all(host).filter((e) => draws(e, part)) : all(selector), part };
}

/** px of a computed length; 0 for words. */
export const px = (length: string): number => parseFloat(length) || 0;

/** What the page is scrolled by. */
export const pageScroller = (): Element => document.scrollingElement ?? document.documentElement;

/** What the page does with what is too large for it, across: of html, and of body. */
export const pageOverflow = (): [html: string, body: string] => [
  readStyle(document.documentElement).overflowX,
  document.body ? readStyle(document.body).overflowX : 'visible',
];

/** The padding box of a scroller to fractions of px, which `clientWidth` rounds away. */
export function readPort(e: Element): { width: number; height: number } {
  const style = readStyle(e);
  const inner = (size: number, [before, after]: [string, string], side: 'width' | 'height'): number => {
    const sum = (name: string) => px(style.getPropertyValue(name));
    const borders = sum(`border-${before}-width`) + sum(`border-${after}-width`);
    const own = px(style[side]);
    const bar = (side === 'width' ? (e as HTMLElement).offsetWidth : (e as HTMLElement).offsetHeight) - size;
    const exact =
      style.boxSizing === 'border-box'
        ? own - borders - Math.max(0, Math.round(bar - borders))
        : own + sum(`padding-${before}`) + sum(`padding-${after}`);
    return Math.abs(exact - size) < 0.6 ? exact : size;
  };
  return {
    width: inner(e.clientWidth, ['left', 'right'], 'width'),
    height: inner(e.clientHeight, ['top', 'bottom'], 'height'),
  };
}
