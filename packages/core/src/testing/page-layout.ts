/** A layout of a page's source without a browser: every element gets a box of its own, one below the other. */
import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { selectAll } from 'css-select';
import { isTag } from 'domhandler';
import type { ChildNode, Document, Element } from 'domhandler';
import { PageElements } from '../css-import/source/elements.ts';
import type { ElementFacts, Layout } from '../page/index.ts';

const IGNORED = new Set(['html', 'head', 'style', 'link', 'script', 'title', 'meta', 'base']);

export function layoutOfPage(html: string, selectors: readonly string[]): Layout {
  const document = parse(html, { treeAdapter: adapter }) as Document;
  const all: Element[] = [];
  const visit = (nodes: readonly ChildNode[]) => {
    for (const n of nodes)
      if (isTag(n)) {
        if (!IGNORED.has(n.name)) all.push(n);
        visit(n.children);
      }
  };
  visit(document.children);
  const indexOf = new Map(all.map((e, i) => [e, i]));
  const naming = new PageElements(document);
  const elements = all.map((e, i): ElementFacts => ({
    selector: naming.path(e),
    tag: e.name,
    text: '',
    parent: (e.parent && indexOf.get(e.parent as Element)) ?? -1,
    section: -1,
    scroller: 0,
    box: { x: 0, y: 900 + i * 220, width: 600, height: 180 },
    sticky: null,
    fixed: false,
  }));
  const height = 3000 + all.length * 220;
  return {
    format: 'lyvek-layout',
    version: 1,
    viewport: { width: 1280, height: 800 },
    page: { width: 1280, height },
    scrollers: [
      { selector: null, port: { width: 1280, height: 800 }, max: { block: height - 800, inline: 0 } },
    ],
    sections: [],
    elements,
    matches: Object.fromEntries(
      selectors.map((s) => [
        s,
        selectAll<ChildNode, Element>(s, document.children).flatMap((e) => indexOf.get(e) ?? []),
      ]),
    ),
    notes: [],
  };
}
