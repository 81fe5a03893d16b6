/** A page at the command line: read for motions, measured, put together for a hand-off. */
import { readFileSync } from 'node:fs';
import {
  assemble,
  isVideoPath,
  suggestCorrections,
  PLAIN_HAND_OFF,
  readPage,
  withoutTaken,
  withVideoFiles,
} from '@lyvek/core';
import type {
  Assembled,
  HandOffOptions,
  HandOffPage,
  Layout,
  Corrections,
  MotionDocument,
  PageMistake,
  ImportResult,
  Refuted,
  Viewport,
} from '@lyvek/core';
import { handedOff } from '@lyvek/server/hand-off';
import type { ImportReader, ProvedImport } from '@lyvek/server/import';
import { textsIn, withTexts } from '@lyvek/server/page-files';
import type { PageFiles } from '@lyvek/server/page-files';
import { BadInput } from './errors.ts';
import type { InputPage } from './input.ts';

/** One of the scripts that are built beside this one. */
export const built = (file: string): Uint8Array => readFileSync(new URL(`../${file}`, import.meta.url));

export function makeHandOffPage({ name, files }: InputPage): HandOffPage {
  const fileAt = textsIn(files);
  const html = fileAt(files.entry);
  if (html === null) throw new BadInput('its HTML is not UTF-8', files.entry);
  return { name, entry: files.entry, html, fileAt };
}

export function readImport(
  page: InputPage,
  corrections?: Corrections,
  left?: readonly Refuted[],
): ImportResult {
  const { entry, html, fileAt } = makeHandOffPage(page);
  return readPage(entry, html, fileAt, corrections, left);
}

/** What of the page’s own motions plays the same in Chromium when Lyvek writes it; null where it has none. */
export async function provedImport(page: InputPage): Promise<ProvedImport['proof']> {
  makeHandOffPage(page);
  const { IMPORT_JOBS, Proving } = await import('@lyvek/server/import');
  const here: ImportReader = { run: async (job, input) => IMPORT_JOBS[job](input as never) as never };
  const alone = { run: <T>(work: () => Promise<T>) => work() };
  const files = page.list().flatMap((path) => {
    const bytes = page.files.bytesAt(path);
    return bytes ? [{ path, bytes }] : [];
  });
  const proving = new Proving(here, alone, (file) => new TextDecoder().decode(built(file)));
  return (await proving.import({ entry: page.files.entry, files }, new AbortController().signal)).proof;
}

/** The same, with what its mistakes were meant as. */
export function importWithCorrections(page: InputPage): {
  document: MotionDocument;
  mistakes: PageMistake[];
  unsupported: number;
} {
  const { entry, html, fileAt } = makeHandOffPage(page);
  const imported = readPage(entry, html, fileAt);
  const mistakes = suggestCorrections(imported, entry, html, fileAt);
  return { document: imported.document, mistakes, unsupported: imported.unsupported.length };
}

/** The page’s files without what a document has taken over from them. */
export function bareFiles(page: InputPage, document: MotionDocument): PageFiles {
  const { entry, html, fileAt } = makeHandOffPage(page);
  const bare = [...withoutTaken(entry, html, fileAt, document.importedRules)].map(
    ([path, { text }]) => [path, text] as const,
  );
  return withTexts(page.files, new Map(bare));
}

export interface ExportOptions {
  /** at other sizes */
  others?: readonly Layout[];
  /** leave out files that stay as they are */
  onlyChanges?: boolean;
}

/** The page with its motions, as files by path. */
export function exportedFiles(
  page: InputPage,
  document: MotionDocument,
  layout: Layout,
  { others = [], onlyChanges = false, ...options }: Partial<HandOffOptions> & ExportOptions = {},
): { assembled: Assembled; files: Map<string, Uint8Array> } {
  const assembled = assemble(
    { document, layout, others, page: makeHandOffPage(page), title: `${page.name}. Lyvek` },
    { ...PLAIN_HAND_OFF, ...options },
  );
  const kept = (onlyChanges ? [] : page.list()).flatMap((path) => {
    const bytes = page.files.bytesAt(path);
    return bytes ? [{ path, bytes }] : [];
  });
  return { assembled, files: handedOff(kept, page.files.entry, assembled, built) };
}

/** Measured in Chromium, with the motions off. */
export async function measured(
  page: InputPage,
  viewport: Viewport,
  document: MotionDocument,
): Promise<Layout> {
  const { measurePage, readVideoFile } = await import('@lyvek/server/lab');
  const layout = await measurePage(
    bareFiles(page, document),
    viewport,
    new TextDecoder().decode(built('in-page.js')),
    document,
  );
  const videos = page.list().flatMap((path) => {
    const bytes = isVideoPath(path) ? page.files.bytesAt(path) : undefined;
    return bytes ? [readVideoFile(path, bytes)] : [];
  });
  return withVideoFiles(layout, await Promise.all(videos), page.files.entry);
}
