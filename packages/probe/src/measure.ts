/** Measures a page into a layout. Runs inside the page, with every motion of ours switched off by the caller. */
import { MAX_ELEMENTS, MAX_MEASURED } from '@lyvek/core/max-elements';
import { splitPart } from '@lyvek/core/part';
import { shorten } from '@lyvek/core/text';
import type { ElementFacts, Layout, MeasureRequest, Scroller, Section } from '@lyvek/core';
import { Boxes } from './boxes.ts';
import { readComputedValues } from './computed-values.ts';
import { Containers } from './containers.ts';
import { FOCUSABLE, readFacts } from './facts.ts';
import type { Survey } from './facts.ts';
import { listMatched, listParts, listPlaces, readPart } from './parts.ts';
import type { DrawnPart } from './parts.ts';
import { listKeyframeNames } from './page-rules.ts';
import type { KeptRule } from './page-rules.ts';
import { listBlocking } from './listeners.ts';
import { OwnMotions } from './own-motion.ts';
import { Patch } from './patch.ts';
import { Selectors } from './selectors.ts';
import { findSections } from './sections.ts';
import { findHeights } from './viewport-heights.ts';
import { all, pageOverflow, pageScroller, px, readPort, readRect, readStyle } from './dom.ts';

/** An element counts from this length in one direction on, px: bars and lines are thin in the other. */
const SMALLEST = 8;
/** Drawings may have thousands of shapes, few of which are ever meant. */
const MAX_SHAPES = 300;
const IGNORED =
  /^(TEXT-PARTS|SCRIPT|STYLE|LINK|META|TITLE|BR|WBR|TEMPLATE|NOSCRIPT|OPTION|SOURCE|TRACK|HEAD|defs|clipPath|mask|symbol|pattern|marker|title|desc|metadata)$/;
const SHAPE = /^(g|path|rect|circle|ellipse|line|polyline|polygon|text|image|use|svg)$/;

export interface Measured {
  layout: Layout;
  /** the elements in the order of `layout.elements`; pseudo-elements stand behind them there */
  elements: Element[];
  parts: DrawnPart[];
}

/** By its layout box, which a transform down to nothing does not change. */
function isLarge(e: Element): boolean {
  const enough = (width: number, height: number) =>
    Math.min(width, height) > 0 && Math.max(width, height) >= SMALLEST;
  const { width, height } = readRect(e);
  return (
    enough(width, height) ||
    (e instanceof HTMLElement && enough(Math.max(width, e.offsetWidth), Math.max(height, e.offsetHeight)))
  );
}

/** Rendered and large enough to be meant; shapes of drawings come last. */
function worthMeasuring(root: Element | null, patch: Patch): { elements: Element[]; shapes: Element[] } {
  if (!root) return { elements: [], shapes: [] };
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_ELEMENT, (node) =>
    IGNORED.test((node as Element).tagName) ? NodeFilter.FILTER_REJECT : NodeFilter.FILTER_ACCEPT,
  );
  const out: Element[] = [];
  const shapes: Element[] = [];
  for (let n = walker.nextNode() as Element | null; n; n = walker.nextNode() as Element | null) {
    const inside = n instanceof SVGElement && n.parentElement instanceof SVGElement;
    if (!isLarge(n) || patch.isTrack(n)) continue;
    if (!inside) out.push(n);
    else if (SHAPE.test(n.tagName)) shapes.push(n);
  }
  return { elements: out, shapes };
}

interface Choice {
  /** in the order of the page */
  elements: Element[];
  /** what each selector means */
  matched: Map<string, Element[]>;
  notes: string[];
}

/** The elements that are large enough, up to a number, and those that were asked for. */
function chooseElements(selectors: readonly string[], patch: Patch): Choice {
  const notes: string[] = [];
  const chosen = new Set<Element>();
  const matched = new Map<string, Element[]>();
  for (const [selector, found] of patch.resolve(selectors)) {
    if (found) matched.set(selector, found);
    else notes.push(`“${shorten(selector, 80)}” is not a selector this browser understands.`);
  }
  const more = (left: number, what: string) => {
    if (left > 0) notes.push(`${left} more ${what} than are measured. Pick those that you need by selector.`);
  };
  const { elements: large, shapes } = worthMeasuring(document.body, patch);
  for (const e of [...large.slice(0, MAX_MEASURED), ...shapes.slice(0, MAX_SHAPES)]) chosen.add(e);
  more(large.length - MAX_MEASURED, 'elements');
  more(shapes.length - MAX_SHAPES, 'shapes of drawings');
  const wanted = [...new Set([...matched.values()].flat())].filter((e) => !chosen.has(e));
  const room = MAX_ELEMENTS - chosen.size;
  for (const e of wanted.slice(0, room)) chosen.add(e);
  more(wanted.length - room, 'elements of selectors');

  const elements = [...chosen].sort((a, b) =>
    a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING ? -1 : 1,
  );
  return { elements, matched, notes };
}

export function measure(
  { selectors, values }: MeasureRequest,
  patch = new Patch(),
  own: OwnMotions = new OwnMotions(() => {}),
): Measured {
  const { elements, matched, notes } = chooseElements(selectors, patch);
  const indexOf = new Map(elements.map((e, i) => [e, i]));
  const containers = new Containers();
  const boxes = new Boxes(containers);
  const naming = new Selectors(patch.isTrack);
  const sections = findSections(document);
  const survey: Survey = {
    indexOf,
    boxes,
    naming,
    sections,
    queried: new Map(),
    focusable: new Set(all(FOCUSABLE)),
  };
  const facts = elements.map((e) => readFacts(e, survey));
  for (const [e, height] of findHeights(patch.pageRules)) {
    const i = indexOf.get(e);
    if (i !== undefined) facts[i]!.viewportHeight = height;
  }
  const parts = listParts(elements).slice(0, MAX_ELEMENTS - elements.length);
  for (const p of parts) {
    const host = indexOf.get(p.host)!;
    facts.push(readPart(p, facts[host]!, host));
  }
  for (const list of matched.values())
    for (const e of list) {
      const i = indexOf.get(e);
      const asSubject = i === undefined ? null : boxes.asSubject(e);
      if (asSubject) facts[i!]!.asSubject = asSubject;
    }
  const linked = new Set(all('a[href^="#"]').map((a) => a.getAttribute('href')!.slice(1)));
  elements.forEach((e, i) => {
    if (e.id && linked.has(e.id)) facts[i]!.anchor = true;
  });
  notes.push(...estimateNotes(facts), ...boxes.notes, ...pageNotes(containers));

  const targets = (s: string) => {
    const part = splitPart(s)[1];
    return { list: listMatched(matched.get(s) ?? [], part, { indexOf, parts }), part };
  };
  const moved = own.list(indexOf);
  // What the page moves has no value of its own that stays.
  for (const { element, properties } of moved) for (const p of properties) delete facts[element]!.base?.[p];
  const viewport = { width: innerWidth, height: innerHeight };
  const doc = pageScroller();
  const keyframeNames = listKeyframeNames();
  return {
    elements,
    parts,
    layout: {
      format: 'lyvek-layout',
      version: 1,
      viewport,
      page: readPage(doc),
      scrollers: containers.list.slice(0, 400).map((c) => scrollerFacts(c, naming)),
      sections: sections.list.map((s): Section => {
        const rect = readRect(s.element);
        return { name: s.name, top: rect.top + scrollY, height: rect.height };
      }),
      elements: facts,
      matches: Object.fromEntries(
        [...matched].map(([s, list]) => [s, listPlaces(list, splitPart(s)[1], { indexOf, parts })]),
      ),
      ...(moved.length ? { own: moved } : {}),
      ...(keyframeNames.length ? { keyframeNames } : {}),
      ...(values.length ? { values: readComputedValues(values, targets) } : {}),
      pins: patch.pins(indexOf),
      marked: patch.marked,
      kept: limitKept(patch.kept, notes),
      notes: notes.slice(0, 60),
    },
  };
}

function estimateNotes(facts: readonly ElementFacts[]): string[] {
  const [first] = facts.filter((f) => f.estimated && !splitPart(f.selector)[1]);
  return first
    ? [
        `From ${shorten(first.selector, 60)} on, places are estimated: the page has not laid everything out yet (content-visibility, or a closed part). Open it, scroll through the page once, and measure again.`,
      ]
    : [];
}

function readPage(doc: Element): Layout['page'] {
  const meta = document.querySelector<HTMLMetaElement>('meta[name="viewport" i]');
  const blocking = listBlocking();
  return {
    width: doc.scrollWidth,
    height: doc.scrollHeight,
    rem: px(readStyle(document.documentElement).fontSize) || 16,
    ...(hidesInline() ? { hidesInline: true } : {}),
    viewportMeta: (meta?.content ?? '').slice(0, 300),
    ...(blocking.length ? { blocking } : {}),
  };
}

function limitKept(all: readonly KeptRule[], notes: string[]): KeptRule[] {
  const kept = all.filter((r) => r.css.length <= 8000 && r.selector.length <= 2000).slice(0, 400);
  const left = all.length - kept.length;
  if (left)
    notes.push(
      `${left} rules of the page are too long or too many to be written again for pinned sections. Look at how those are placed.`,
    );
  return kept;
}

/** The viewport takes the overflow of html, or of body where html has none (CSS Overflow 3, §3.3). */
function hidesInline(): boolean {
  const [root, body] = pageOverflow();
  return /hidden|clip/.test(root === 'visible' ? body : root);
}

function scrollerFacts(element: Element | null, naming: Selectors): Scroller {
  const e = element ?? pageScroller();
  const style = readStyle(element ?? document.documentElement);
  const across = Math.max(0, e.scrollWidth - (element ? e.clientWidth : innerWidth));
  const down = Math.max(0, e.scrollHeight - (element ? e.clientHeight : innerHeight));
  const isVertical = style.writingMode.startsWith('vertical') || style.writingMode.startsWith('sideways');
  const inline = readPadding(style, 'inline');
  return {
    selector: element ? naming.of(element) : null,
    port: element ? readPort(element) : { width: innerWidth, height: innerHeight },
    max: isVertical ? { block: across, inline: down } : { block: down, inline: across },
    padding: readPadding(style, 'block'),
    ...(inline.some((side) => side !== '0px') ? { paddingInline: inline } : {}),
    ...(style.direction === 'rtl' ? { rtl: true } : {}),
    ...(isVertical ? { vertical: true } : {}),
  };
}

const readPadding = (style: CSSStyleDeclaration, axis: 'block' | 'inline'): [string, string] => {
  const side = (end: string) => zeroed(style.getPropertyValue(`scroll-padding-${axis}-${end}`));
  return [side('start'), side('end')];
};
const zeroed = (padding: string) => (padding === 'auto' || padding === '' ? '0px' : padding.slice(0, 60));

function pageNotes(containers: Containers): string[] {
  const notes: string[] = [];
  const external = all('use[href*=".svg#"], use[*|href*=".svg#"]').length;
  if (external)
    notes.push(
      `${external} drawings come from another SVG file by <use>; browsers block that in the preview. The real page shows them.`,
    );
  if (pageOverflow().every((o) => o !== 'visible' && o !== 'clip'))
    notes.push(
      'Both html and body hide or scroll their overflow: body becomes a scroller of its own and view timelines do not move. Use overflow: clip on one of them.',
    );
  const max = pageScroller().scrollHeight - innerHeight;
  const inner = containers.list.find(
    (c) => c && c.clientHeight > innerHeight * 0.8 && c.scrollHeight > c.clientHeight + 8,
  );
  if (max <= 0)
    notes.push(
      inner
        ? 'The page itself does not scroll; an inner scroller fills the window.'
        : 'The page is not longer than the window: there is nothing to scroll at this size.',
    );
  return notes;
}
