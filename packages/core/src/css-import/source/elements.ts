/** Elements of a page's source, found by selector. */
import { present } from '../../assert/index.ts';
import { is, selectAll } from 'css-select';
import { Element, isTag } from 'domhandler';
import type { ChildNode, Document } from 'domhandler';
import { splitTop } from '../../text/index.ts';

const MAX_CACHED = 20_000;
const MAX_COUNTED = 4000;

export class PageElements {
  private readonly order = new Map<Element, number>();
  private readonly found = new Map<string, readonly Element[] | null>();
  private readonly drawn = new Map<Element, Element[]>();

  /** `known`: what some selectors find, where the tree cannot say it. */
  constructor(
    readonly document: Document,
    private readonly known: ReadonlyMap<string, readonly Element[]> = new Map(),
  ) {
    const visit = (nodes: readonly ChildNode[]) => {
      for (const n of nodes)
        if (isTag(n)) {
          this.order.set(n, this.order.size);
          visit(n.children);
        }
    };
    visit(document.children);
  }

  /** In page order; null for a selector that cannot be asked here. */
  all(selector: string): readonly Element[] | null {
    const known = this.found.get(selector);
    if (known !== undefined) return known;
    if (this.found.size > MAX_CACHED) this.found.clear();
    const fresh = this.ask(selector);
    this.found.set(selector, fresh);
    return fresh;
  }

  private ask(list: string): Element[] | null {
    const parts = splitTop(list);
    if (!parts.some((part) => DRAWN.test(part))) return this.askElements(list);
    const found = parts.map((part) => {
      const pseudo = DRAWN.exec(part);
      if (!pseudo) return this.askElements(part);
      const hosts = this.askElements(hostSelector(part));
      return hosts?.map((host) => this.drawnBy(host, `::${present(pseudo[1]).toLowerCase()}`)) ?? null;
    });
    return found.every((f) => f !== null) ? this.inOrder(new Set(found.flat())) : null;
  }

  /** What an element draws before or after its content, as an element without a place in the tree. */
  private drawnBy(host: Element, pseudo: string): Element {
    const known = this.drawn.get(host)?.find((e) => e.name === pseudo);
    if (known) return known;
    const made = new Element(pseudo, {});
    made.parent = host;
    this.drawn.set(host, [...(this.drawn.get(host) ?? []), made]);
    this.order.set(made, present(this.order.get(host)) + (pseudo === '::before' ? 0.25 : 0.5));
    return made;
  }

  private askElements(selector: string): Element[] | null {
    const told = this.known.size ? this.told(selector) : null;
    if (told) return told;
    // Counting what matches among all siblings, for each of them, grows with their square.
    if (this.order.size > MAX_COUNTED && /:nth-(last-)?child\([^)]*\sof\s/i.test(selector)) return null;
    try {
      return selectAll<ChildNode, Element>(selector, this.document.children).filter(isTag);
    } catch {
      return null;
    }
  }

  /** From what is known: of a list each, of `:is(a):is(b)` what both find, of `a:nth-of-type(2)` those of that place. */
  private told(list: string): Element[] | null {
    const direct = this.known.get(list);
    if (direct) return [...direct];
    const parts = splitTop(list);
    if (parts.length > 1) {
      const found = parts.map((part) => this.askElements(part));
      return found.every((f) => f !== null) ? this.inOrder(new Set(found.flat())) : null;
    }
    const both = /^(?::is\(.*\)){2,}$/.test(list) ? splitIs(list) : null;
    if (both) {
      const [first = [], ...rest] = both.map((part) => this.askElements(part) ?? []);
      return first.filter((e) => rest.every((other) => other.includes(e)));
    }
    const [, of, place] = /^(.+):nth-of-type\((\d+)\)$/.exec(list) ?? [];
    const all = of === undefined ? undefined : this.known.get(of);
    return all ? all.filter((e) => amongTag(e) === Number(place)) : null;
  }

  inOrder(elements: Iterable<Element>): Element[] {
    return [...elements].sort((a, b) => present(this.order.get(a)) - present(this.order.get(b)));
  }

  matches(element: Element, selector: string): boolean {
    if (this.known.size || isDrawn(element) || DRAWN.test(selector))
      return this.all(selector)?.includes(element) ?? false;
    try {
      return is<ChildNode, Element>(element, selector);
    } catch {
      return false;
    }
  }

  /**
   * A selector that finds just these elements: one of the given, one less what it finds too much, else a list of places. `collectSelectors`: by
   * which others can be told apart.
   */
  naming(
    elements: readonly Element[],
    candidates: readonly string[],
    collectSelectors: (e: Element) => readonly string[] = () => candidates,
  ): string {
    const wanted = new Set(elements);
    const ofClasses = classSelectors(elements, (c) => this.all(`.${c}`)?.length ?? 0);
    // Of a list only what finds some of them, and what no other part finds already.
    const useful = (list: string) => {
      const parts = splitTop(list)
        .map((part) => ({ part, found: this.all(part) ?? [] }))
        .filter(({ found }) => found.some((e) => wanted.has(e)));
      return parts
        .filter(
          ({ found }, i) =>
            !parts.some(
              (p, k) =>
                (p.found.length > found.length || (p.found.length === found.length && k < i)) &&
                found.every((e) => p.found.includes(e)),
            ),
        )
        .map(({ part }) => part)
        .join(', ');
    };
    const unique = [...new Set([...candidates, ...ofClasses].map(useful))]
      .filter(Boolean)
      .map((selector) => ({
        selector,
        found: new Set(this.all(selector)),
      }));
    const wider = unique
      .filter(({ found }) => elements.every((e) => found.has(e)))
      // Of those that find the same, a rule’s own, and the plainest.
      .sort(
        (a, b) =>
          a.found.size - b.found.size ||
          Number(ofClasses.includes(a.selector)) - Number(ofClasses.includes(b.selector)) ||
          a.selector.length - b.selector.length,
      );
    for (const { selector, found } of wider) {
      if (found.size === wanted.size) return selector;
      // Nothing can stand behind a pseudo-element in a selector, nor a pseudo-element inside :not().
      const less = DRAWN.test(selector)
        ? null
        : this.covering(
            [...found].filter((e) => !wanted.has(e)),
            wanted,
            collectSelectors,
          );
      const grouped = splitTop(selector).length > 1 ? `:is(${selector})` : selector;
      if (less) return `${grouped}:not(${less.join(', ')})`;
    }
    return elements.map((e) => this.path(e)).join(', ');
  }

  /** Selectors that together find all of some elements, and none that is wanted; null where there are none. */
  private covering(
    elements: readonly Element[],
    wanted: ReadonlySet<Element>,
    collectSelectors: (e: Element) => readonly string[],
  ): string[] | null {
    const left = new Set(elements);
    const able = [
      ...new Set(elements.flatMap((e) => [...collectSelectors(e), ...classSelectors([e])])),
    ].flatMap((selector) => {
      const found = this.all(selector);
      return found && !found.some((e) => wanted.has(e))
        ? [{ selector, found: found.filter((e) => left.has(e)) }]
        : [];
    });
    able.sort((a, b) => b.found.length - a.found.length);
    const out: string[] = [];
    for (const { selector, found } of able) {
      if (!found.some((e) => left.has(e))) continue;
      out.push(selector);
      for (const e of found) left.delete(e);
    }
    return left.size === 0 ? out : null;
  }

  /** The shortest path of tags and places that finds only this element. */
  path(element: Element): string {
    if (isDrawn(element)) return this.path(present(findParent(element))) + element.name;
    const own = (e: Element): string => {
      if (e.attribs.id && /^[A-Za-z][\w-]*$/.test(e.attribs.id) && this.all(`#${e.attribs.id}`)?.length === 1)
        return `#${e.attribs.id}`;
      const same = e.parent?.children.filter((c): c is Element => isTag(c) && c.name === e.name) ?? [e];
      return same.length > 1 ? `${e.name}:nth-of-type(${same.indexOf(e) + 1})` : e.name;
    };
    let path = own(element);
    for (let e = element; this.all(path)?.length !== 1 && e.parent && isTag(e.parent as ChildNode);) {
      e = e.parent as Element;
      path = `${own(e)} > ${path}`;
    }
    return path;
  }
}

/** Compounds of the classes that all of them have: each alone, any two, and all; what fewer elements have comes first. */
function classSelectors(elements: readonly Element[], count: (name: string) => number = () => 0): string[] {
  const [first, ...rest] = elements.map((e) =>
    (e.attribs.class ?? '').split(/\s+/).filter((c) => PLAIN.test(c)),
  );
  const shared = (first ?? [])
    .filter((c) => rest.every((list) => list.includes(c)))
    .sort((a, b) => count(a) - count(b))
    .slice(0, 8);
  const pairs = shared.flatMap((a, i) => shared.slice(i + 1).map((b) => `.${a}.${b}`));
  return [...shared.map((c) => `.${c}`), ...pairs, ...(shared.length > 2 ? [`.${shared.join('.')}`] : [])];
}
const PLAIN = /^[A-Za-z][\w-]*$/;

/** What stands in the brackets of `:is(a):is(b)`. */
function splitIs(list: string): string[] {
  const out: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < list.length; i++) {
    if (list[i] === '(' && depth++ === 0) from = i + 1;
    else if (list[i] === ')' && --depth === 0) out.push(list.slice(from, i));
  }
  return out;
}

/** Place among siblings of the same tag, counted from 1. */
const amongTag = (e: Element): number => {
  const same = e.parent?.children.filter((c): c is Element => isTag(c) && c.name === e.name) ?? [e];
  return same.indexOf(e) + 1;
};

const DRAWN = /::?(before|after)$/i;
const hostSelector = (part: string) => part.replace(DRAWN, '').trim() || '*';

/** A pseudo-element: `::before` or `::after` of its parent. */
export const isDrawn = (e: Element): boolean => e.name.startsWith('::');

export const findParent = (e: Element): Element | null =>
  e.parent && isTag(e.parent as ChildNode) ? (e.parent as Element) : null;

/** Place among the siblings, counted from 1, and how many there are. */
export function amongSiblings(e: Element): { index: number; count: number } {
  if (isDrawn(e)) return amongSiblings(present(findParent(e)));
  const all = e.parent?.children.filter((c): c is Element => isTag(c)) ?? [e];
  return { index: all.indexOf(e) + 1, count: all.length };
}
