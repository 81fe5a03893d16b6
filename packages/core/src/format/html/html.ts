/** Small, exact changes of HTML text: everything else stays byte for byte as it was brought. */
import { present } from '../../assert/index.ts';
import { parse } from 'parse5';
import type { DefaultTreeAdapterTypes as Tree } from 'parse5';

const isElement = (n: Tree.Node, tag: string): n is Tree.Element => n.nodeName === tag;

function toHead(html: string): { head: Tree.Element; root: Tree.Element; document: Tree.Document } {
  const document = parse(html, { sourceCodeLocationInfo: true });
  const root = present(document.childNodes.find((n): n is Tree.Element => isElement(n, 'html')));
  return {
    document,
    root,
    head: present(root.childNodes.find((n): n is Tree.Element => isElement(n, 'head'))),
  };
}

/** Where the head begins in the text, also when its tag was left out. */
function headStart(html: string): number {
  const { head, root, document } = toHead(html);
  if (head.sourceCodeLocation?.startTag) return head.sourceCodeLocation.startTag.endOffset;
  if (root.sourceCodeLocation?.startTag) return root.sourceCodeLocation.startTag.endOffset;
  const doctype = document.childNodes.find((n) => n.nodeName === '#documentType');
  return doctype?.sourceCodeLocation?.endOffset ?? 0;
}

function headEnd(html: string): number {
  const { head } = toHead(html);
  if (head.sourceCodeLocation?.endTag) return head.sourceCodeLocation.endTag.startOffset;
  const last = head.childNodes.findLast((n) => n.sourceCodeLocation);
  return last?.sourceCodeLocation?.endOffset ?? headStart(html);
}

const splice = (html: string, at: number, text: string) => html.slice(0, at) + text + html.slice(at);

/** A byte order mark is no character of the page: parsers leave it out and count without it. */
const BOM = '\uFEFF';
export const splitMark = (html: string): [mark: string, rest: string] =>
  html.startsWith(BOM) ? [BOM, html.slice(1)] : ['', html];

/** Puts text right after the head begins, before anything of the page's own, even a policy in a meta element. */
export function insertFirstInHead(whole: string, text: string): string {
  const [mark, html] = splitMark(whole);
  return mark + splice(html, headStart(html), text);
}

/** Puts lines at the end of the head, so that a linked style sheet comes after the page's own. The number is that of the first one. */
export function insertLastInHead(whole: string, ...lines: string[]): { html: string; line: number } {
  const [mark, html] = splitMark(whole);
  const at = headEnd(html);
  const before = html.slice(0, at);
  const margin = /\n([ \t]*)$/.exec(before)?.[1];
  const text =
    margin !== undefined
      ? `${lines.map((l, i) => `${i ? margin : ''}  ${l}`).join('\n')}\n${margin}`
      : `${before === '' ? '' : '\n'}${lines.join('\n')}\n`;
  return {
    html: mark + splice(html, at, text),
    line: before.split('\n').length + (margin !== undefined || before === '' ? 0 : 1),
  };
}

/** The page's title, or null. */
export function toTitle(html: string): string | null {
  const { head } = toHead(html);
  const title = head.childNodes.find((n): n is Tree.Element => isElement(n, 'title'));
  const text = title?.childNodes
    .map((n) => ('value' in n ? n.value : ''))
    .join('')
    .replace(/\s+/g, ' ')
    .trim();
  return text || null;
}

/** True where style sheets stand in the body: they come after the head's, so they win where they are as specific. */
export function hasSheetsInBody(html: string): boolean {
  const { root } = toHead(html);
  const body = root.childNodes.find((n): n is Tree.Element => isElement(n, 'body'));
  const isSheet = (n: Tree.Node): boolean =>
    isElement(n, 'style') ||
    (isElement(n, 'link') && n.attrs.some((a) => a.name === 'rel' && /\bstylesheet\b/i.test(a.value))) ||
    ('childNodes' in n && n.childNodes.some(isSheet));
  return body ? body.childNodes.some(isSheet) : false;
}
