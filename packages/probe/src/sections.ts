/** Sections: landmarks and sections with a name, else the children of body. */
import { ellipsized, wellFormed } from '@lyvek/core/text';
import { readRect } from './dom.ts';

const LANDMARKS =
  'section, article, header, footer, nav, aside, [role="region"], [role="banner"], [role="contentinfo"]';

export interface NamedSection {
  element: Element;
  name: string;
}

export function findSections(doc: Document): { list: NamedSection[]; of: (e: Element) => number } {
  const outer = [...doc.querySelectorAll(LANDMARKS)].filter((e) => !isInside(e) && readRect(e).height >= 8);
  const rest = doc.body
    ? [...doc.body.children].filter(
        (c) => !outer.some((s) => s === c || c.contains(s)) && readRect(c).height >= 8,
      )
    : [];
  const all = [...outer, ...rest]
    .sort((a, b) => (a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING ? -1 : 1))
    .slice(0, 400);
  const index = new Map(all.map((e, i) => [e, i]));
  return {
    list: all.map((element) => ({ element, name: findName(element) })),
    of(e) {
      for (let p: Element | null = e; p; p = p.parentElement) {
        const i = index.get(p);
        if (i !== undefined) return i;
      }
      return -1;
    },
  };
}

/** Nested landmarks belong to the outermost one, except below main, which is only a frame. */
const isInside = (e: Element) => e.parentElement?.closest(LANDMARKS) != null;

function findName(e: Element): string {
  const label =
    e.getAttribute('aria-label') ??
    e.querySelector('h1, h2, h3, h4')?.textContent ??
    e.id.replace(/[-_]+/g, ' ');
  const text = wellFormed(label || e.localName)
    .replace(/\s+/g, ' ')
    .trim();
  return ellipsized(text, 40) || e.localName;
}
