/** What the import worker can do: everything whose time and memory depend on what somebody brings. Each job is a plain function. */
import type { MotionDocument, PageMistake, ImportResult, Refuted, VideoFile } from '@lyvek/core';
import {
  LayoutSchema,
  PLAIN_HAND_OFF,
  allWellFormed,
  assemble,
  suggestCorrections,
  readDocument,
  readPage,
  withoutTaken,
  itemAt,
  present,
} from '@lyvek/core';
import { handOffPage, handedOff } from '../hand-off/files.ts';
import { Problem } from '../http/problem.ts';
import { readVideoFile } from '../lab/video-file.ts';
import type { PageFile } from '../store/pages.ts';
import { pageFrom } from './page-from.ts';
import type { Brought } from './page-from.ts';
import { readTexts } from './texts.ts';

export interface PageFiles {
  entry: string;
  files: readonly PageFile[];
}

/** What a page moves by its own CSS, with what its mistakes were meant as. */
export interface ReadMotions {
  document: MotionDocument;
  unsupported: ImportResult['unsupported'];
  mistakes: PageMistake[];
}

const MAX_LISTED = 500;
/** Title of problems that say which limit was met. */
export const TOO_MUCH = 'Too much to read';

export const IMPORT_JOBS = {
  /** A zip, or one HTML text, as the files of a page. */
  unpack: ({
    bytes,
    type,
    entry,
  }: {
    bytes: Uint8Array;
    type: string;
    entry?: string | undefined;
  }): Brought => pageFrom(bytes, type, entry),

  /** The motions of a page as a document, with the conditions of the page; null where its HTML is not UTF-8. */
  document({
    entry,
    files,
    refuted,
  }: PageFiles & { refuted?: readonly Refuted[] }): { document: MotionDocument; queries: string[] } | null {
    const fileAt = readTexts(files);
    const html = fileAt(entry);
    if (html === null) return null;
    const { document, queries } = readPage(entry, html, fileAt, new Set(), refuted);
    const read = readDocument(allWellFormed(document));
    if (read.ok) return { document: read.document, queries };
    // Never stored: what cannot be read again would be lost.
    throw new Problem(
      422,
      TOO_MUCH,
      `What it moves cannot be kept in one document: ${itemAt(read.problems, 0).message}.`,
    );
  },

  /** The same with all that was found on the way. */
  motions({ entry, files, refuted }: PageFiles & { refuted: readonly Refuted[] }): ReadMotions | null {
    const fileAt = readTexts(files);
    const html = fileAt(entry);
    if (html === null) return null;
    const imported = readPage(entry, html, fileAt, new Set(), refuted);
    return {
      document: allWellFormed(imported.document),
      unsupported: imported.unsupported.slice(0, MAX_LISTED),
      mistakes: suggestCorrections(imported, entry, html, fileAt).slice(0, MAX_LISTED),
    };
  },

  /** Texts of the files that lose what documents have taken over from them. */
  without({ entry, files, taken }: PageFiles & { taken: readonly string[] }): [path: string, text: string][] {
    const fileAt = readTexts(files);
    const html = fileAt(entry);
    if (html === null) return [];
    return [...withoutTaken(entry, html, fileAt, taken)].map(([path, { text }]) => [path, text]);
  },

  /** The files that a hand-off changes or adds. `layouts`: at the first size, and at others, as JSON that a page has said. */
  handOff({
    entry,
    files,
    document,
    layouts,
  }: PageFiles & { document: MotionDocument; layouts: readonly string[] }): [
    path: string,
    bytes: Uint8Array,
  ][] {
    const [layout, ...others] = layouts.map((text) => LayoutSchema.parse(JSON.parse(text)));
    const page = handOffPage({ name: 'Page', entry }, files);
    const assembled = assemble(
      { document, layout: present(layout), others, page, title: 'Page' },
      PLAIN_HAND_OFF,
    );
    const scripts = (file: string): never => {
      throw new Error(`what was read needs no ${file}`);
    };
    return [...handedOff([], entry, assembled, scripts)];
  },

  /** What the files of videos say of themselves. */
  videos: ({ files }: { files: readonly PageFile[] }): Promise<VideoFile[]> =>
    Promise.all(files.map(({ path, bytes }) => readVideoFile(path, bytes))),
} as const;

export type ImportJobs = typeof IMPORT_JOBS;
export type ImportJob = keyof ImportJobs;
