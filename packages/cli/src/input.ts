/** Reads what commands are given: documents, layouts, pages; `-` is the standard input. */
import { existsSync, readFileSync, readdirSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { parseTree } from 'jsonc-parser';
import type { ParseError } from 'jsonc-parser';
import { LayoutSchema, listProblems, readDocument, lastItem, present } from '@lyvek/core';
import type { Layout, MotionDocument, Viewport } from '@lyvek/core';
import { unpack } from '@lyvek/server/add-page';
import { filesInFolder, filesInMemory } from '@lyvek/server/page-files';
import type { PageFiles } from '@lyvek/server/page-files';
import { BadInput } from './errors.ts';

export function readText(path: string): string {
  try {
    return readFileSync(path === '-' ? 0 : path, 'utf8');
  } catch (error) {
    throw new BadInput(
      (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : (error as Error).message,
      path === '-' ? 'standard input' : path,
    );
  }
}

/** JSON with the place of a mistake in it. */
export function readJson(path: string): unknown {
  const text = readText(path);
  try {
    return JSON.parse(text);
  } catch {
    // Node does not always say where; this parser does.
    const errors: ParseError[] = [];
    parseTree(text, errors, { disallowComments: true });
    const before = text.slice(0, errors[0]?.offset ?? 0).split('\n');
    throw new BadInput('it is not JSON from here on', path, before.length, lastItem(before).length + 1);
  }
}

export const readDocumentFile = (path: string): MotionDocument => asDocument(readJson(path), path);

export function asDocument(json: unknown, path: string): MotionDocument {
  const parsed = readDocument(json);
  if (parsed.ok) return parsed.document;
  const [first, ...more] = parsed.problems;
  throw new BadInput(
    `it is not a document: ${present(first).path ? `${present(first).path}: ` : ''}${present(first).message}${more.length ? ` (and ${more.length} more)` : ''}`,
    path,
  );
}

export function readLayoutFile(path: string): Layout {
  const parsed = LayoutSchema.safeParse(readJson(path));
  if (parsed.success) return parsed.data;
  const [first] = listProblems(parsed.error);
  throw new BadInput(`it is not a layout: ${present(first).path}: ${present(first).message}`, path);
}

export interface InputPage {
  name: string;
  files: PageFiles;
  /** paths of all files, for copying; only asked for when needed */
  list(): string[];
}

const isHtml = (path: string) => /\.(html?|xhtml)$/i.test(path);
const IGNORED = /(^|\/)(node_modules|\.[^/]+)(\/|$)/;
const MAX_FILES = 2000;

function listed(folder: string): string[] {
  const all = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile())
    .map((e) => join(e.parentPath, e.name).slice(folder.replace(/\/$/, '').length + 1))
    .filter((p) => !IGNORED.test(p))
    .sort();
  if (all.length > MAX_FILES)
    throw new BadInput(`there are ${all.length} files in it; at most ${MAX_FILES} are copied`, folder);
  return all;
}

function entryIn(paths: readonly string[], where: string): string {
  const pages = paths.filter(isHtml).sort((a, b) => a.split('/').length - b.split('/').length);
  const found =
    pages.find((p) => /(^|\/)index\.html?$/i.test(p)) ?? (pages.length === 1 ? pages[0] : undefined);
  if (found) return found;
  throw new BadInput(
    pages.length
      ? `there are several pages in it (${pages.slice(0, 4).join(', ')} …); name the one you mean`
      : 'there is no .html file in it',
    where,
  );
}

/** An HTML file with what lies beside it, a folder, a zip, or HTML from the standard input. */
export function readPageAt(path: string): InputPage {
  if (path === '-') {
    const html = new TextEncoder().encode(readText('-'));
    const files = new Map([['index.html', html]]);
    return { name: 'page', files: filesInMemory('index.html', files), list: () => ['index.html'] };
  }
  if (!existsSync(path)) throw new BadInput('there is no such file or folder', path);
  const plain = (name: string) => basename(name).replace(/\.(html?|xhtml|zip)$/i, '') || 'page';
  if (statSync(path).isDirectory()) {
    const paths = listed(path);
    const entry = entryIn(paths, path);
    return { name: plain(join(process.cwd(), path)), files: filesInFolder(path, entry), list: () => paths };
  }
  if (isHtml(path)) {
    const folder = dirname(path);
    const entry = basename(path);
    return { name: plain(entry), files: filesInFolder(folder, entry), list: () => listed(folder) };
  }
  if (!/\.zip$/i.test(path)) throw new BadInput('a page is an .html file, a folder or a .zip', path);
  try {
    const files = new Map(unpack(readFileSync(path)).map((f) => [f.path, f.bytes]));
    const entry = entryIn([...files.keys()], path);
    return { name: plain(path), files: filesInMemory(entry, files), list: () => [...files.keys()] };
  } catch (error) {
    if (error instanceof BadInput) throw error;
    throw new BadInput(error instanceof Error ? error.message : String(error), path);
  }
}

/** `1280x800` */
export function viewportFrom(text: string): Viewport {
  const m = /^(\d{3,4})\s*[x×]\s*(\d{3,4})$/i.exec(text);
  const viewport = m && { width: Number(m[1]), height: Number(m[2]) };
  if (!viewport || viewport.width < 200 || viewport.height < 200)
    throw new BadInput(`“${text}” is not a viewport such as 1280x800 (200 to 8000 px)`);
  return viewport;
}

/** `0:8000:50`: from, to, step */
export function offsetsFrom(text: string): number[] {
  const [from, to, step] = text.split(':').map(Number);
  if (from === undefined || !Number.isFinite(from))
    throw new BadInput(`“${text}” is not a scroll such as 0:8000:50`);
  if (to === undefined) return [from];
  if (!Number.isFinite(to) || !step || !Number.isFinite(step) || (to - from) / step < 0)
    throw new BadInput(`“${text}” is not a scroll such as 0:8000:50`);
  const count = Math.floor((to - from) / step + 1e-9) + 1;
  if (count > 1_000_000) throw new BadInput(`“${text}” are ${count} offsets; at most a million are sampled`);
  return Array.from({ length: count }, (_, i) => from + i * step);
}
