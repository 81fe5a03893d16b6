/** What pins and adjustments need of the page’s elements: written into plain HTML, or said, where components make them. */
import { basename, extname } from 'node:path';
import { MARK, keepPatched, listMarksNeeded, makePatch, toMark, trackClasses } from '@lyvek/core';
import type { HtmlPatch, Layout, MotionDocument } from '@lyvek/core';
import { readFile } from './whole-file.ts';

/** Something that only the developer can write, and where. */
export interface Need {
  file: string;
  why: string;
  code: string;
}

export const isPlain = (path: string): boolean => /\.x?html?$/i.test(path);

export interface HtmlSide {
  /** plain HTML that is to be written, by path */
  changed: Map<string, string>;
  needs: Need[];
  notes: string[];
  /** of the page, where one plain file is all of it: what selectors are looked up in */
  html: string | undefined;
}

/** The class as the kind of component writes it. */
const classAttribute = (path: string): string => (/\.[jt]sx$/i.test(path) ? 'className' : 'class');

const hasClass = (text: string, name: string): boolean =>
  new RegExp(`(^|[^\\w-])${name.replace(/[^\w-]/g, '\\$&')}($|[^\\w-])`).test(text);

/** `earlier`: what the block was written from before. */
export function lookAtHtml(
  paths: readonly string[],
  document: MotionDocument,
  layout: Layout,
  earlier: MotionDocument | null,
): HtmlSide {
  const { prefix } = document;
  const patch = makePatch(document, layout.kept, prefix);
  const side: HtmlSide = { changed: new Map(), needs: [], notes: [], html: undefined };
  const plain = paths.filter(isPlain);
  const components = paths.filter((p) => !isPlain(p));
  for (const path of plain) {
    const text = readFile(path);
    if (text === '') {
      side.notes.push(`${path} is not there`);
      continue;
    }
    // Beside components it is the shell that they are put into.
    if (components.length) continue;
    const classes = earlier ? [...trackClasses(earlier, earlier.prefix).values()] : [];
    const kept = keepPatched(text, patch, { prefix, earlier: classes });
    if (kept.html !== text) side.changed.set(path, kept.html);
    side.notes.push(...kept.notes.map((n) => `${path}: ${n}`));
    if (plain.length === 1) side.html = kept.html;
  }
  if (components.length) side.needs.push(...listMissing(components, patch, listMarksNeeded(layout, patch)));
  else if (plain.length === 0 && patch.wraps.length)
    side.notes.push(
      `${patch.wraps.length === 1 ? 'a pin needs a track' : `${patch.wraps.length} pins need tracks`} in the page’s HTML: name it with --html, or the components that make it`,
    );
  return side;
}

/** Tracks, marks and attributes that none of these files has yet. `marked`: selectors that need a mark. */
export function listMissing(
  components: readonly string[],
  { wraps, attributes }: HtmlPatch,
  marked: readonly string[] = [],
): Need[] {
  const texts = components.map(readFile);
  const [first = ''] = components;
  const name = classAttribute(first);
  const close = /\.astro$|\.[jt]sx$|\.svelte$|\.vue$/i.test(extname(first)) ? ' /' : '';
  const where = components.length === 1 ? first : components.map((p) => basename(p)).join(' or ');
  return [
    ...wraps
      .filter((w) => !texts.some((t) => hasClass(t, w.className)))
      .map(({ selector, className, anchors }) => ({
        file: where,
        why: `Put a track around ${selector}: until it is there, it is not pinned.`,
        code: [
          `<div ${name}="${className}">`,
          ...anchors.map((a) => `  <i ${name}="${a.className}" id="${a.id}"${close}>${close ? '' : '</i>'}`),
          `  … ${selector} …`,
          '</div>',
        ].join('\n'),
      })),
    ...marked
      .map((selector) => ({ selector, code: `${MARK}="${toMark(selector)}"` }))
      .filter(({ code }) => !texts.some((t) => t.includes(code)))
      .map(({ selector, code }) => ({
        file: where,
        why: `Give ${selector} this attribute too: with the track in place its selector does not find it.`,
        code,
      })),
    ...attributes
      .filter((a) => !texts.some((t) => t.includes(`${a.name}="${a.value}"`)))
      .map((a) => ({
        file: where,
        why: `Give ${a.selector} this attribute.`,
        code: `${a.name}="${a.value}"`,
      })),
  ];
}
