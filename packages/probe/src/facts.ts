/** Reads what a layout says of one element. */
import type { ElementFacts } from '@lyvek/core';
import { TEXT_PART } from '@lyvek/core/part';
import { BASE_PROPERTIES } from '@lyvek/core/base';
import type { Boxes } from './boxes.ts';
import { hasOwnText, readNames } from './names.ts';
import type { findSections } from './sections.ts';
import type { Selectors } from './selectors.ts';
import { px, readStyle } from './dom.ts';

const MEDIA = /^(IMG|VIDEO|CANVAS|PICTURE|svg|IFRAME|OBJECT)$/;

/** What is known of the page as a whole while its elements are read. */
export interface Survey {
  indexOf: Map<Element, number>;
  boxes: Boxes;
  naming: Selectors;
  sections: ReturnType<typeof findSections>;
  queried: Map<Element, ElementFacts['container'] | null>;
  /** what the Tab key gets to */
  focusable: ReadonlySet<Element>;
}

export function readFacts(e: Element, survey: Survey): ElementFacts {
  const { indexOf, boxes, naming, sections, queried } = survey;
  const style = readStyle(e);
  const { containers } = boxes;
  const { box, sticky } = boxes.of(e);
  const base = readBase(style);
  const container = findContainer(e, queried);
  const tint = hex(style.backgroundColor);
  const placing = containers.readPlacing(e);
  return {
    selector: naming.of(e),
    tag: e.tagName.toLowerCase().slice(0, 60),
    ...readNames(e),
    parent: findParent(e, indexOf),
    section: sections.of(e),
    scroller: Math.min(399, containers.findScroller(e)),
    box,
    sticky,
    fixed: containers.isFixed(e),
    ...(placing.position !== 'static' ? { position: placing.position as 'relative' } : {}),
    ...(style.overflow !== 'visible' ? { overflow: style.overflow } : {}),
    ...(placing.containsFixed ? { contains: true } : {}),
    ...(isEstimated(e) ? { estimated: true } : {}),
    ...(base ? { base } : {}),
    fontSize: px(style.fontSize) || 16,
    ...toContent(e, style),
    ...(container ? { container } : {}),
    ...(e instanceof HTMLElement && e.scrollWidth > e.clientWidth + 1 && e.clientWidth > 0
      ? { overflowing: e.scrollWidth }
      : {}),
    ...(tint ? { tint } : {}),
    ...(survey.focusable.has(e) ? { focus: true } : {}),
    ...readFile(e),
    kind: MEDIA.test(e.tagName) ? 'image' : hasOwnText(e) || e.localName === TEXT_PART ? 'text' : 'box',
  };
}

/** What a picture or a video shows, and how it is asked for. */
function readFile(e: Element): Pick<ElementFacts, 'file'> {
  if (!(e instanceof HTMLImageElement || e instanceof HTMLVideoElement)) return {};
  const src = (e.getAttribute('src') ?? e.querySelector('source')?.getAttribute('src') ?? '').slice(0, 500);
  const size = (width: number, height: number) => (width > 0 ? { width, height } : {});
  if (e instanceof HTMLImageElement) return { file: { src, ...size(e.naturalWidth, e.naturalHeight) } };
  const { preload, duration, videoWidth, videoHeight } = e;
  return {
    file: {
      src,
      ...size(videoWidth, videoHeight),
      ...(isFinite(duration) ? { duration } : {}),
      preload: preload === 'none' || preload === 'auto' ? preload : 'metadata',
      poster: e.hasAttribute('poster'),
    },
  };
}

/** The content box, where padding or borders make it smaller. */
function toContent(e: Element, style: CSSStyleDeclaration): Pick<ElementFacts, 'content'> {
  if (!(e instanceof HTMLElement)) return {};
  const sum = (...lengths: string[]) => lengths.reduce((s, length) => s + px(length), 0);
  const { paddingLeft, paddingRight, paddingTop, paddingBottom } = style;
  const across = sum(paddingLeft, paddingRight, style.borderLeftWidth, style.borderRightWidth);
  const down = sum(paddingTop, paddingBottom, style.borderTopWidth, style.borderBottomWidth);
  if (across === 0 && down === 0) return {};
  return {
    content: { width: Math.max(0, e.offsetWidth - across), height: Math.max(0, e.offsetHeight - down) },
  };
}

/** The nearest query container's content box, which `cqw` refers to. */
function findContainer(
  e: Element,
  known: Map<Element, ElementFacts['container'] | null>,
): ElementFacts['container'] | null {
  const parent = e.parentElement;
  if (!parent) return null;
  const cached = known.get(parent);
  if (cached !== undefined) return cached;
  const style = readStyle(parent);
  const { offsetWidth: width, offsetHeight: height } = parent as HTMLElement;
  const found =
    style.containerType === 'normal' || !style.containerType
      ? findContainer(parent, known)
      : (toContent(parent, style).content ?? { width, height });
  known.set(parent, found);
  return found;
}

function findParent(e: Element, indexOf: Map<Element, number>): number {
  for (let p = e.parentElement; p; p = p.parentElement) {
    const i = indexOf.get(p);
    if (i !== undefined) return i;
  }
  return -1;
}

/** What the Tab key gets to. */
export const FOCUSABLE =
  'a[href], button:enabled, input:enabled:not([type=hidden]), select:enabled, textarea:enabled, summary, [tabindex]:not([tabindex^="-"]), [contenteditable]:not([contenteditable=false])';

/** It has a box, and the browser has not laid out what is in it: left for later, or closed. */
function isEstimated(e: Element): boolean {
  if (!('checkVisibility' in e)) return false;
  if (e.checkVisibility({ contentVisibilityAuto: true })) return false;
  for (let p: Element | null = e; p; p = p.parentElement) if (readStyle(p).display === 'none') return false;
  return true;
}

/** Values without any motion; only those that differ from the initial ones. */
export function readBase(style: CSSStyleDeclaration): Record<string, string> | null {
  const out: Record<string, string> = {};
  for (const [name, initial] of BASE_PROPERTIES) {
    const value = style.getPropertyValue(name);
    if (value !== '' && value !== initial) out[name] = value.slice(0, 400);
  }
  return Object.keys(out).length ? out : null;
}

/** `rgb(…)` as `#rrggbb`; transparent ones are none. */
export function hex(color: string): string | null {
  const m = /^rgba?\((\d+), (\d+), (\d+)(?:, ([\d.]+))?\)$/.exec(color);
  if (!m || (m[4] !== undefined && Number(m[4]) < 0.3)) return null;
  return `#${[m[1], m[2], m[3]].map((n) => Number(n).toString(16).padStart(2, '0')).join('')}`;
}
