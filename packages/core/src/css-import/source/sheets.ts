/** The style sheets of a page in the order of its cascade: style elements, linked files, what those import, and style attributes. */
import { itemAt, present } from '../../assert/index.ts';
import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { isTag } from 'domhandler';
import type { ChildNode, Document, Element } from 'domhandler';
import * as postcss from 'postcss';
import safeParse from 'postcss-safe-parser';
import { splitMark } from '../../format/index.ts';
import { Lines, shortened } from './source.ts';
import type { Unsupported } from './source.ts';

/** At-rules that stand around a sheet, from its link or from an `@import`. */
export interface Around {
  name: 'media' | 'supports' | 'layer';
  params: string;
}

export interface Sheet {
  lines: Lines;
  /** where its text begins in the file */
  offset: number;
  root: postcss.Root;
  around: readonly Around[];
  /** the element whose style attribute it is, and where the whole attribute stands in the file */
  inline?: Element;
  attribute?: { from: number; to: number };
}

export interface PageSource {
  document: Document;
  sheets: Sheet[];
  unsupported: Unsupported[];
}

/** Reads a file of the page as text; null where the page has none under this path. */
export type FileAt = (path: string) => string | null;

const MAX_SHEETS = 400;
const DEEPEST = 12;

type Located = {
  startOffset: number;
  endOffset: number;
  startTag?: { endOffset: number };
  endTag?: { startOffset: number };
  attrs?: Record<string, { startOffset: number; endOffset: number }>;
};
const findLocation = (e: Element) => e.sourceCodeLocation as Located | null | undefined;

/** A path as the page writes it, from the file that writes it. Null for another host. */
export function toPath(href: string, from: string): string | null {
  if (/^([a-z][a-z0-9+.-]*:|\/\/)/i.test(href)) return null;
  const path = href.replace(/[?#].*$/s, '');
  const parts = path.startsWith('/') ? [] : from.split('/').slice(0, -1);
  for (const part of path.split('/')) {
    if (part === '..') parts.pop();
    else if (part !== '' && part !== '.') parts.push(part);
  }
  try {
    return decodeURIComponent(parts.join('/'));
  } catch {
    return parts.join('/');
  }
}

class SheetReader {
  readonly sheets: Sheet[] = [];
  readonly inline: Sheet[] = [];
  readonly unsupported: Unsupported[] = [];
  private readonly files: Map<string, Lines>;

  /** `shift`: parsers count without a byte order mark. */
  constructor(
    private readonly entry: string,
    private readonly page: Lines,
    private readonly shift: number,
    private readonly fileAt: FileAt,
  ) {
    this.files = new Map([[entry, page]]);
  }

  walk(nodes: readonly ChildNode[]): void {
    for (const e of nodes) {
      if (!isTag(e)) continue;
      const place = findLocation(e);
      if (e.name === 'style' && place?.startTag && isCss(e.attribs.type)) {
        const to = place.endTag?.startOffset ?? place.endOffset;
        const from = place.startTag.endOffset + this.shift;
        this.put(this.page, from, to + this.shift, findAround(e), [this.entry]);
      } else if (e.name === 'link' && isSheetLink(e)) this.link(e, place?.startOffset ?? 0);
      if (place?.attrs?.style && e.attribs.style) this.attribute(e, place.attrs.style);
      this.walk(e.children);
    }
  }

  private put(lines: Lines, from: number, to: number, around: readonly Around[], trail: readonly string[]) {
    if (this.sheets.length >= MAX_SHEETS) return;
    const sheet: Sheet = { lines, offset: from, root: parseSafely(lines.text.slice(from, to)), around };
    for (const node of sheet.root.nodes ?? []) {
      if (node.type === 'comment') continue;
      if (node.type !== 'atrule' || !/^(import|charset|layer|namespace)$/i.test(node.name)) break;
      if (node.name.toLowerCase() === 'import') this.imported(node, sheet, trail);
    }
    this.sheets.push(sheet);
  }

  private file(path: string): Lines | null {
    const known = this.files.get(path);
    if (known) return known;
    const text = this.fileAt(path);
    if (text === null) return null;
    const lines = new Lines(path, text);
    this.files.set(path, lines);
    return lines;
  }

  private imported(rule: postcss.AtRule, sheet: Sheet, trail: readonly string[]): void {
    const read = findImport(rule.params);
    const at = sheet.lines.place(sheet.offset + (rule.source?.start?.offset ?? 0));
    const miss = (reason: string) =>
      void this.unsupported.push({ place: at, what: shortened(`@import ${rule.params}`), reason });
    if (!read) return miss('this import could not be understood');
    const path = toPath(read.href, sheet.lines.path);
    if (path === null) return miss('it is on another host, so it was not added');
    if (trail.includes(path) || trail.length > DEEPEST) return;
    const lines = this.file(path);
    if (!lines) return miss('this file was not added');
    this.put(lines, 0, lines.text.length, [...sheet.around, ...read.around], [...trail, path]);
  }

  private link(e: Element, at: number): void {
    const href = present(e.attribs.href);
    const path = toPath(href, this.entry);
    const lines = path === null ? null : this.file(path);
    if (lines) return this.put(lines, 0, lines.text.length, findAround(e), [lines.path]);
    this.unsupported.push({
      place: this.page.place(at + this.shift),
      what: shortened(href),
      reason:
        path === null
          ? 'this style sheet is on another host, so it was not added'
          : 'this style sheet was not added',
    });
  }

  private attribute(e: Element, found: { startOffset: number; endOffset: number }): void {
    const html = this.page.text;
    const style = { startOffset: found.startOffset + this.shift, endOffset: found.endOffset + this.shift };
    const from = valueStart(html, style);
    const text = html.slice(from, style.endOffset).replace(/["']$/, '');
    // Character references would shift every place after them.
    if (text.includes('&')) return;
    this.inline.push({
      lines: this.page,
      offset: from,
      root: parseSafely(text),
      around: [],
      inline: e,
      attribute: { from: style.startOffset, to: style.endOffset },
    });
  }
}

/** The tree of a page’s source, with where everything stands in it. */
export const parseHtml = (html: string): Document =>
  parse(html, { treeAdapter: adapter, sourceCodeLocationInfo: true }) as Document;

export function readSheets(entry: string, html: string, fileAt: FileAt): PageSource {
  const [mark, text] = splitMark(html);
  const document = parseHtml(text);
  const reader = new SheetReader(entry, new Lines(entry, html), mark.length, fileAt);
  reader.walk(document.children);
  return {
    document,
    sheets: [...reader.sheets, ...reader.inline],
    unsupported: reader.unsupported,
  };
}

/** Never throws: what cannot be understood stays as text, and the rest is read. */
export function parseSafely(css: string): postcss.Root {
  try {
    return safeParse(css) as postcss.Root;
  } catch {
    return postcss.root();
  }
}

const isCss = (type: string | undefined) => !type || /^text\/css\b/i.test(type);
const isSheetLink = (e: Element) =>
  /(^|\s)stylesheet(\s|$)/i.test(e.attribs.rel ?? '') &&
  !/(^|\s)alternate(\s|$)/i.test(e.attribs.rel ?? '') &&
  e.attribs.disabled === undefined &&
  !!e.attribs.href &&
  isCss(e.attribs.type);

const findAround = (e: Element): Around[] => {
  const media = e.attribs.media?.trim();
  return media && media !== 'all' ? [{ name: 'media', params: media }] : [];
};

/** Where the value of an attribute begins in the text. */
function valueStart(html: string, attribute: { startOffset: number; endOffset: number }): number {
  const text = html.slice(attribute.startOffset, attribute.endOffset);
  const m = /^[^=]*=\s*["']?/.exec(text);
  return attribute.startOffset + (m?.[0].length ?? text.length);
}

/** `url("a.css") layer(base) supports(display: grid) (width > 600px)` */
function findImport(params: string): { href: string; around: Around[] } | null {
  const m = /^\s*(?:url\(\s*(?:"([^"]*)"|'([^']*)'|([^)'"]*))\s*\)|"([^"]*)"|'([^']*)')\s*/i.exec(params);
  const href = (m?.[1] ?? m?.[2] ?? m?.[3] ?? m?.[4] ?? m?.[5])?.trim();
  if (!m || !href) return null;
  let rest = params.slice(m[0].length);
  const around: Around[] = [];
  const layer = /^layer(?:\(([^)]*)\))?\s*/i.exec(rest);
  if (layer && !/^layer[\w-]/i.test(rest)) {
    around.push({ name: 'layer', params: (layer[1] ?? '').trim() });
    rest = rest.slice(layer[0].length);
  }
  const supports = /^supports\(((?:[^()]|\([^()]*\))*)\)\s*/i.exec(rest);
  if (supports) {
    around.push({ name: 'supports', params: `(${itemAt(supports, 1).trim()})` });
    rest = rest.slice(supports[0].length);
  }
  if (rest.trim()) around.push({ name: 'media', params: rest.trim() });
  return { href, around };
}
