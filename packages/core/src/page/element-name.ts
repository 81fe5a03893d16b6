import { itemAt, lastItem } from '../assert/index.ts';
import type { ElementFacts, Layout } from './layout.ts';
import { ellipsized } from '../text/index.ts';

/** A name for an element that people recognise: its text, else its tag and class. */
export function elementName(e: ElementFacts, layout?: Layout): string {
  const parent = layout?.elements[e.parent];
  if (!e.text && e.kind === 'image' && parent?.text) return `picture in ${elementName(parent)}`;
  const text = itemAt(e.text.split(/[.·:](?:\s|$)/), 0).trim();
  const short = ellipsized(text, 26);
  if (short && (e.kind === 'text' || e.text.length < 40)) return short;
  const tail = lastItem(e.selector.split(/[ >]+/));
  return tail.startsWith('#') || tail.startsWith('.') ? tail.slice(1).replaceAll('-', ' ') : short || e.tag;
}
