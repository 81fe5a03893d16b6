/** The page’s source with its patch kept up to date: what earlier patches put in and is no longer needed goes, and nothing else is touched. */
import { parse, serialize } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { selectAll } from 'css-select';
import { isTag } from 'domhandler';
import type { ChildNode, Document, Element } from 'domhandler';
import { MARK } from '../selectors/marks.ts';
import { DEFAULT_PREFIX, withPrefix } from '../selectors/names.ts';
import { splitMark } from './html.ts';
import type { HtmlPatch } from './patch.ts';
import { patchHtml } from './patch-html.ts';

type Place = NonNullable<ChildNode['sourceCodeLocation']> & {
  attrs?: Record<string, { startOffset: number; endOffset: number }>;
  startTag?: { startOffset: number; endOffset: number };
  endTag?: { startOffset: number; endOffset: number };
};

/** Tracks of earlier pins: by their prefix, or where names have none, by the classes that are known. */
const isTrack = (e: Element, prefix: string, classes: ReadonlySet<string>): boolean => {
  const own = e.attribs.class ?? '';
  if (e.name !== 'div' || /\s/.test(own)) return false;
  return classes.has(own) || (prefix !== '' && own.startsWith(`${withPrefix(prefix, 'hold')}-`));
};

/** `classes`: of tracks that this or an earlier patch names. */
function withoutPatch(html: string, prefix: string, classes: ReadonlySet<string>): string {
  const tree = parse(html, { treeAdapter: adapter, sourceCodeLocationInfo: true }) as Document;
  const all = selectAll<ChildNode, Element>('*', tree.children).filter((n): n is Element => isTag(n));
  const gone: [from: number, to: number][] = [];
  for (const e of all) {
    const place = e.sourceCodeLocation as Place | null | undefined;
    const mark = place?.attrs?.[MARK];
    // With the space before it.
    if (mark) gone.push([mark.startOffset - 1, mark.endOffset]);
    if (!place?.startTag || !place.endTag || !isTrack(e, prefix, classes)) continue;
    gone.push([place.startTag.startOffset, place.startTag.endOffset]);
    gone.push([place.endTag.startOffset, place.endTag.endOffset]);
    for (const child of e.children) {
      const own = child.sourceCodeLocation;
      if (
        own &&
        isTag(child) &&
        child.name === 'i' &&
        child.attribs.class?.startsWith(withPrefix(prefix, 'cue-'))
      )
        gone.push([own.startOffset, own.endOffset]);
    }
  }
  let out = '';
  let last = 0;
  for (const [from, to] of gone.sort((a, b) => a[0] - b[0])) {
    out += html.slice(last, from);
    last = to;
  }
  return out + html.slice(last);
}

/** As a browser has it, however the source is indented. */
const asTree = (html: string): string =>
  serialize(parse(html)).replace(/\s+/g, ' ').replaceAll('> ', '>').replaceAll(' <', '<');

export interface KeptPatched {
  html: string;
  /** without anything of a patch */
  bare: string;
  notes: string[];
}

/** `earlier`: classes of tracks that were written before. Where the source has all of the patch already, it is given back as it is. */
export function keepPatched(
  whole: string,
  patch: HtmlPatch,
  {
    prefix = DEFAULT_PREFIX,
    earlier = [],
  }: { prefix?: string | undefined; earlier?: readonly string[] } = {},
): KeptPatched {
  const [byteOrder, html] = splitMark(whole);
  const bare = withoutPatch(html, prefix, new Set([...earlier, ...patch.wraps.map((w) => w.className)]));
  const { html: patched, notes } = patchHtml(bare, patch);
  return { html: asTree(patched) === asTree(html) ? whole : byteOrder + patched, bare, notes };
}
