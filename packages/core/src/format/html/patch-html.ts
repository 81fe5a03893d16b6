/** Applies a patch to the page's source: wrappers, attributes and marks, with every other byte as it was brought. */
import { present } from '../../assert/index.ts';
import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { selectAll } from 'css-select';
import { Element, isTag } from 'domhandler';
import type { ChildNode, Document } from 'domhandler';
import { splitMark } from './html.ts';
import { MARK, toMark, toRuleMark } from '../selectors/marks.ts';
import type { HtmlPatch } from './patch.ts';

export interface PatchedHtml {
  html: string;
  /** what was put in, with the line where it now stands, counted from 1 */
  changes: { text: string; line: number }[];
  /** plain sentences about what could not be done */
  notes: string[];
}

interface Insertion {
  at: number;
  text: string;
  /** among insertions at one place: closing tags first, inner ones before outer ones */
  order: number;
}

const parsed = (html: string): Document =>
  parse(html, { treeAdapter: adapter, sourceCodeLocationInfo: true }) as Document;

/** Elements of a selector; an empty list for one that is not understood. */
function find(selector: string, document: Document, notes: string[]): Element[] {
  try {
    return selectAll<ChildNode, Element>(selector, document.children).filter((n): n is Element => isTag(n));
  } catch {
    notes.push(`“${selector}” could not be found in the source; the script-made page may differ from it.`);
    return [];
  }
}

/** Elements that the parser made up (a missing tbody, head …) have no place in the text. */
const findPlace = (e: Element) =>
  e.sourceCodeLocation as ChildNode['sourceCodeLocation'] &
    Partial<{ startTag: { startOffset: number; endOffset: number } }>;

export function patchHtml(whole: string, patch: HtmlPatch): PatchedHtml {
  const [byteOrder, html] = splitMark(whole);
  const notes: string[] = [];
  const document = parsed(html);
  const before = new Map(patch.selectors.map((s) => [s, find(s, document, notes)]));
  const rules = new Map([...patch.missed, ...patch.gained].map((s) => [s, find(s, document, [])]));
  const insertions: Insertion[] = [];
  const attribute = (e: Element, name: string, value: string) => {
    const tag = findPlace(e)?.startTag;
    if (!tag || name in e.attribs) return;
    const end = html.slice(tag.startOffset, tag.endOffset).endsWith('/>')
      ? tag.endOffset - 2
      : tag.endOffset - 1;
    insertions.push({ at: end, text: ` ${name}="${value.replaceAll('"', '&quot;')}"`, order: 0 });
  };
  for (const { selector, name, value } of patch.attributes)
    for (const e of before.get(selector) ?? find(selector, document, notes)) attribute(e, name, value);
  for (const { selector, className, anchors } of patch.wraps) {
    const stage = (before.get(selector) ?? find(selector, document, notes))[0];
    const place = stage && findPlace(stage);
    if (!stage || !place) {
      notes.push(`${selector} is not in the source, so it could not be wrapped.`);
      continue;
    }
    const depth = computeDepth(stage);
    insertions.push({
      at: place.startOffset,
      text: `<div class="${className}">${anchors.map((a) => `<i class="${a.className}" id="${a.id}"></i>`).join('')}`,
      order: depth,
    });
    insertions.push({ at: place.endOffset, text: '</div>', order: -1000 - depth });
    wrap(stage, className);
  }
  const marks = new Map<Element, string[]>();
  const mark = (e: Element, name: string) => marks.set(e, [...(marks.get(e) ?? []), name]);
  for (const [selector, elements] of before) {
    const after = new Set(find(selector, document, []));
    if (after.size === elements.length && elements.every((e) => after.has(e))) continue;
    for (const e of elements) mark(e, toMark(selector));
  }
  for (const selector of patch.missed) {
    const after = new Set(find(selector, document, []));
    for (const e of rules.get(selector) ?? []) if (!after.has(e)) mark(e, toRuleMark(selector, 'missed'));
  }
  for (const selector of patch.gained) {
    const was = new Set(rules.get(selector));
    for (const e of find(selector, document, []))
      if (!was.has(e) && findPlace(e)) mark(e, toRuleMark(selector, 'gained'));
  }
  for (const [e, names] of marks) attribute(e, MARK, names.join(' '));
  const { html: patched, changes } = spliced(html, insertions);
  return { html: byteOrder + patched, changes, notes };
}

const computeDepth = (e: Element): number => {
  let depth = 0;
  for (let p = e.parent; p; p = p.parent) depth++;
  return depth;
};

/** The same change in the tree, so that selectors can be asked again. */
function wrap(stage: Element, className: string): void {
  const track = new Element('div', { class: className }, [stage]);
  const parent = present(stage.parent);
  const at = parent.children.indexOf(stage);
  parent.children[at] = track;
  track.parent = parent;
  track.prev = stage.prev;
  track.next = stage.next;
  if (track.prev) track.prev.next = track;
  if (track.next) track.next.prev = track;
  stage.parent = track;
  stage.prev = null;
  stage.next = null;
}

function spliced(html: string, insertions: readonly Insertion[]): Omit<PatchedHtml, 'notes'> {
  const sorted = [...insertions].sort((a, b) => a.at - b.at || a.order - b.order);
  let out = '';
  let last = 0;
  const places: { text: string; at: number }[] = [];
  for (const { at, text } of sorted) {
    out += html.slice(last, at);
    places.push({ text, at: out.length });
    out += text;
    last = at;
  }
  out += html.slice(last);
  return {
    html: out,
    changes: places.map(({ text, at }) => ({ text: text.trim(), line: out.slice(0, at).split('\n').length })),
  };
}
