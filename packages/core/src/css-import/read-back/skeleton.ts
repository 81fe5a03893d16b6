/**
 * A page without its source: what its layout knows of it as a tree, in which the selectors of a document find what they found in the page.
 * For pages that scripts make, whose HTML nobody has written.
 */
import { Document, Element } from 'domhandler';
import { itemAt } from '../../assert/index.ts';
import { splitPart } from '../../page/index.ts';
import type { Layout } from '../../page/index.ts';
import { PageElements } from '../source/elements.ts';

const PLACE = /:nth-of-type\((\d+)\)$/;

/** Ids, classes and attributes that a compound asks for. */
function readAttributes(compound: string): Record<string, string> {
  const out: Record<string, string> = {};
  const id = /#([\w-]+)/.exec(compound)?.[1];
  if (id !== undefined) out.id = id;
  for (const m of compound.matchAll(/\[([\w-]+)(?:[~|^$*]?=["']?([^"'\]]*)["']?)?\]/g))
    out[itemAt(m, 1)] = m[2] ?? '';
  const classes = [...compound.replace(/\[[^\]]*\]/g, '').matchAll(/\.([\w-]+)/g)].map((m) => itemAt(m, 1));
  if (classes.length) out.class = classes.join(' ');
  return out;
}

/** The last compound of a selector without brackets of its own. */
const lastCompound = (selector: string): string => /[^\s>+~]*$/.exec(selector)?.[0] ?? '';

function merge(e: Element, more: Record<string, string>): void {
  for (const [name, value] of Object.entries(more))
    e.attribs[name] =
      name === 'class' && e.attribs.class
        ? [...new Set(`${e.attribs.class} ${value}`.split(' '))].join(' ')
        : (e.attribs[name] ?? value);
}

function append(parent: Document | Element, child: Element): void {
  child.parent = parent;
  child.prev = parent.children.at(-1) ?? null;
  if (child.prev) child.prev.next = child;
  parent.children.push(child);
}

/** Elements of a kind that stand before it and nobody has measured. */
function pad(parent: Document | Element, tag: string, place: number): void {
  const count = parent.children.filter((c) => c instanceof Element && c.name === tag).length;
  for (let i = count; i < place - 1; i++) append(parent, new Element(tag, {}));
}

function put(tag: string, selector: string, parent: Element): Element {
  const e = new Element(tag, readAttributes(lastCompound(selector.replace(PLACE, ''))));
  pad(parent, tag, Number(PLACE.exec(selector)?.[1] ?? 1));
  append(parent, e);
  return e;
}

/** A wrapper around an element; what stands in its place keeps the places of its siblings. */
function wrap(stage: Element, className: string): void {
  const parent = stage.parent;
  if (!parent) return;
  const track = new Element('div', { class: className }, [stage]);
  const place = new Element(stage.name, {});
  parent.children.splice(parent.children.indexOf(stage), 1, track, place);
  for (const e of [track, place]) e.parent = parent;
  parent.children.forEach((c, i) => {
    c.prev = parent.children[i - 1] ?? null;
    c.next = parent.children[i + 1] ?? null;
  });
  stage.parent = track;
  stage.prev = stage.next = null;
}

/** The tree, with what every selector of the layout finds in it. `tracks`: classes of the wrappers of pins, by the selector of the stage. */
export function makeSkeleton(layout: Layout, tracks: ReadonlyMap<string, string> = new Map()): PageElements {
  const root = new Document([]);
  const body = new Element('body', {});
  const html = new Element('html', {});
  append(root, html);
  append(html, body);
  const made: (Element | null)[] = [];
  const found = new Map<string, Element[]>();
  for (const { tag, selector, parent } of layout.elements) {
    const e = tag.startsWith('::')
      ? null
      : tag === 'body'
        ? body
        : tag === 'html'
          ? html
          : put(tag, selector, made[parent] ?? body);
    made.push(e);
    if (e) found.set(selector, [e]);
  }
  for (const [selector, list] of Object.entries(layout.matches)) {
    if (splitPart(selector)[1] !== '') continue;
    const elements = list.flatMap((i) => made[i] ?? []);
    found.set(selector, elements);
    if (/^[\w.#-]+$/.test(selector)) for (const e of elements) merge(e, readAttributes(selector));
  }
  for (const [stage, className] of tracks) {
    const [e] = found.get(stage) ?? [];
    if (e) wrap(e, className);
  }
  return new PageElements(root, found);
}
