/**
 * Marks: where pins change the HTML, a selector such as `main > section > h2` may no longer find its elements. The patch then puts a
 * mark on them, and the style sheet asks for the mark. Probe, patcher and writer agree on its name, since it follows from the selector.
 */
import { fingerprint } from '../../page/fingerprint.ts';
import type { Layout } from '../../page/index.ts';
import { splitHost, splitPart } from '../../page/part.ts';

export const MARK = 'data-lv';

/** A readable word and a few letters that tell apart what reads alike. */
export function toMark(selector: string): string {
  const word = selector
    .split(/[\s>+~]+/)
    .at(-1)!
    .replace(/:nth-of-type\((\d+)\)/, '-$1')
    .replace(/[^A-Za-z0-9-]+/g, '')
    .toLowerCase();
  return `${word.slice(0, 24) || 'part'}-${fingerprint(selector).toString(36).slice(0, 4)}`;
}

/** The mark of elements that a rule of the page misses, or has gained, once wrappers are there. */
export const toRuleMark = (selector: string, kind: 'missed' | 'gained'): string =>
  `${kind === 'missed' ? 'as' : 'not'}-${toMark(selector)}`;

const PSEUDO = /::?(?:before|after|first-line|first-letter|placeholder|marker|selection)$/;

/** What a rule’s selector matches, and the pseudo-element of it that is meant; empty where it is itself. */
export function splitPseudo(selector: string): [host: string, pseudo: string] {
  const pseudo = PSEUDO.exec(selector)?.[0] ?? '';
  return [pseudo ? selector.slice(0, -pseudo.length) || '*' : selector, pseudo];
}

/** The selector as it has to be written for a page with its pins in place. */
export function writtenSelector(selector: string, layout: Layout): string {
  const whole = splitHost(selector);
  // The parts of a text are not there yet when the HTML is changed; the text is.
  if (whole !== selector) return writtenSelector(whole, layout) + selector.slice(whole.length);
  const [host, part] = splitPart(selector);
  return layout.marked?.includes(host) ? `[${MARK}~="${toMark(host)}"]${part}` : selector;
}

/** What a layout says of the adjustments that were in place when it was measured: a fingerprint of their rules. */
export const adjustedBy = (rules: readonly string[]): string | undefined =>
  rules.length ? fingerprint(rules.join('\n')).toString(36) : undefined;
