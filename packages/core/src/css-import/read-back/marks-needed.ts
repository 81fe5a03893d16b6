/** Selectors that no longer find their elements once tracks are around stages, in a page whose source nobody but its developer changes. */
import { selectAll } from 'css-select';
import { Element, isTag } from 'domhandler';
import type { ChildNode, Document } from 'domhandler';
import type { HtmlPatch } from '../../format/index.ts';
import type { Layout } from '../../page/index.ts';
import { makeSkeleton } from './skeleton.ts';

function find(selector: string, document: Document): Element[] {
  try {
    return selectAll<ChildNode, Element>(selector, document.children).filter(isTag);
  } catch {
    return [];
  }
}

/** In the place of the stage, so that siblings after it are counted anew. */
function wrap(stage: Element, className: string): void {
  const { parent } = stage;
  if (!parent || (parent instanceof Element && parent.attribs.class?.split(' ').includes(className))) return;
  const track = new Element('div', { class: className }, [stage]);
  parent.children[parent.children.indexOf(stage)] = track;
  track.parent = parent;
  [track.prev, track.next] = [stage.prev, stage.next];
  if (track.prev) track.prev.next = track;
  if (track.next) track.next.prev = track;
  stage.parent = track;
  stage.prev = stage.next = null;
}

/** Those that have to be marked, as far as the measured elements tell; those that are marked already among them. */
export function listMarksNeeded(layout: Layout, { wraps, selectors }: HtmlPatch): string[] {
  const { document } = makeSkeleton(layout);
  const before = new Map(selectors.map((s) => [s, find(s, document)]));
  for (const { selector, className } of wraps) {
    const [stage] = before.get(selector) ?? find(selector, document);
    if (stage) wrap(stage, className);
  }
  return selectors.filter((s) => {
    if (layout.marked?.includes(s)) return true;
    const [was, is] = [before.get(s) ?? [], new Set(find(s, document))];
    return was.length !== is.size || was.some((e) => !is.has(e));
  });
}
