import { itemAt, lastItem } from '../assert/index.ts';
import type { ElementFacts, Layout } from './layout.ts';
import { isPart, splitPart } from './part.ts';
import { ellipsized } from '../text/index.ts';

const MAX_LENGTH = 26;

/** A name for an element that people recognise: its label, alternative text or heading, else its id, a class of its own, its text, its tag. */
export function elementName(e: ElementFacts, layout?: Layout): string {
  const outer = layout?.elements[e.parent];
  if (isPart(e)) return outer ? `${elementName(outer, layout)} ${e.tag}` : e.selector;
  const label = firstWords(e.label ?? (/^h[1-6]$/.test(e.tag) ? e.text : ''));
  if (label) return label;
  const tail = lastItem(e.selector.split(/[ >]+/));
  const id = /^#[^.]+/.exec(e.idClass ?? '')?.[0];
  const own = id && !/\d{3}/.test(id) ? id : /^[#.]/.test(tail) ? tail : '';
  if (own) return inWords(own);
  if (!e.text && e.kind === 'image' && outer && (outer.label ?? outer.text))
    return `picture in ${elementName(outer, layout)}`;
  const text = firstWords(e.text);
  if (text && (e.kind === 'text' || e.text.length < 40)) return text;
  const [shared] = /(?<=\.)[a-z][^.]{2,}/i.exec(e.idClass ?? '') ?? [];
  if (shared) return inWords(shared);
  return LANDMARK.test(e.tag) ? e.tag : text || e.tag;
}
/** Called like this by everybody, and there is mostly one: better known than by the first words of all that it holds. */
const LANDMARK = /^(main|nav|header|footer|aside|form)$/;

const firstWords = (text: string) => ellipsized(itemAt(text.split(/[.·:](?:\s|$)/), 0).trim(), MAX_LENGTH);

/** A name for all that a selector finds: its last id or class; of one without, null. */
export function selectorName(selector: string): string | null {
  const [host, part] = splitPart(selector);
  const own = /[#.][a-z][\w-]{2,}$/i.exec(host.trim())?.[0];
  return own ? `${inWords(own)}${part && ` ${part}`}` : null;
}

/** `#road-picture` as “road picture”. */
const inWords = (name: string) =>
  ellipsized(name.replace(/^[#.]/, '').replace(/\\/g, '').replace(/[-_]+/g, ' ').trim(), MAX_LENGTH);
