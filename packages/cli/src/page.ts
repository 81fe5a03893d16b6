/** A page at the command line: read for motions, measured, put together for a hand-off. */
import { readFileSync } from 'node:fs';
import { readPage, withoutTaken } from '@lyvek/core';
import type { HandOffPage, Layout, Mend, MotionDocument, Reading, Viewport } from '@lyvek/core';
import { textsIn, withTexts } from '@lyvek/server/page-files';
import type { PageFiles } from '@lyvek/server/page-files';
import { BadInput } from './errors.ts';
import type { InputPage } from './input.ts';

/** One of the scripts that are built beside this one. */
export const built = (file: string): Uint8Array => readFileSync(new URL(`../${file}`, import.meta.url));

export function handOffPageOf({ name, files }: InputPage): HandOffPage {
  const fileAt = textsIn(files);
  const html = fileAt(files.entry);
  if (html === null) throw new BadInput('its HTML is not UTF-8', files.entry);
  return { name, entry: files.entry, html, fileAt };
}

export function readingOf(page: InputPage, mend?: Mend): Reading {
  const { entry, html, fileAt } = handOffPageOf(page);
  return readPage(entry, html, fileAt, mend);
}

/** The page’s files without what a document has taken over from them. */
export function bareFiles(page: InputPage, document: MotionDocument): PageFiles {
  const { entry, html, fileAt } = handOffPageOf(page);
  const bare = [...withoutTaken(entry, html, fileAt, document.taken)].map(
    ([path, { text }]) => [path, text] as const,
  );
  return withTexts(page.files, new Map(bare));
}

/** Measured in Chromium, with the motions off. */
export async function measured(
  page: InputPage,
  viewport: Viewport,
  document: MotionDocument,
): Promise<Layout> {
  const { measurePage } = await import('@lyvek/server/lab');
  return measurePage(
    bareFiles(page, document),
    viewport,
    new TextDecoder().decode(built('in-page.js')),
    document,
  );
}
