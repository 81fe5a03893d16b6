/** Measures a page into a layout, as the probe does in the preview. */
import {
  emptyDocument,
  LayoutSchema,
  makePatch,
  previewCss,
  makeMeasureRequest,
  writeCss,
  present,
} from '@lyvek/core';
import type { Layout, MeasureRequest, MotionDocument, Viewport } from '@lyvek/core';
import { withPage } from './chromium.ts';
import type { OpenedPage, OpenPage } from './chromium.ts';
import { asEnginePage } from './engines/chromium.ts';
import type { EnginePage } from './engines/engine.ts';
import type { PageFiles } from './page-files.ts';

/** A page in whichever browser. */
export type LabPage = Pick<EnginePage, 'evaluate'>;

/** `lyvekInPage.<name>(…args)` inside the page. */
export const ask = <T>(page: LabPage, name: string, ...args: unknown[]): Promise<T> =>
  page.evaluate(`lyvekInPage.${name}(${args.map((a) => JSON.stringify(a)).join(', ')})`) as Promise<T>;

/** Answers of more than this are not read, characters. */
const MAX_ANSWER = 64e6;

/** The same for large answers: as JSON, so that reading it can be left to another thread. */
export async function askText(page: LabPage, name: string, ...args: unknown[]): Promise<string> {
  const call = `lyvekInPage.${name}(${args.map((a) => JSON.stringify(a)).join(', ')})`;
  const text = await page.evaluate(`Promise.resolve(${call}).then((made) => {
    const text = JSON.stringify(made);
    return text.length > ${MAX_ANSWER} ? '' : text;
  })`);
  if (typeof text !== 'string' || text === '')
    throw new Error('the page produced more messages than can be read');
  return text;
}

/** Layouts of a page at some sizes, as JSON that nobody has looked at yet. */
export async function layoutTexts(
  open: OpenPage,
  files: PageFiles,
  [first, ...others]: readonly Viewport[],
  request: MeasureRequest,
  inPage: string,
): Promise<string[]> {
  const { page } = await open(files, { viewport: present(first) });
  await page.evaluate(inPage);
  const texts = [await askText(page, 'measure', request)];
  for (const size of others) {
    await page.setViewportSize(size);
    texts.push(await askText(page, 'measure', request));
  }
  await page.context().close();
  return texts;
}

/** A page that is measured, the script that measures it there, and whose adjustments it wears. */
interface Measuring {
  files: PageFiles;
  inPage: string;
  document?: MotionDocument;
}

/** A page that is measured, the script that measures it there, and whose adjustments it wears. */
interface Measuring {
  files: PageFiles;
  inPage: string;
  document?: MotionDocument;
}

/** One layout after the other while `next` gives a size. */
interface Sizes {
  next(): Viewport | null;
  onProgress(layout: Layout): void;
}

/** What stays of a document while its page is measured: a style sheet of ours, which no policy of the page forbids. */
const wearScript = (css: string): string =>
  `(() => {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(${JSON.stringify(css)});
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
  return true;
})()`;

/** A page that is open at the first size, without what the document has taken over from it, is measured there and at others. */
export async function measureOpened(
  page: Pick<EnginePage, 'run' | 'evaluate' | 'setViewportSize'>,
  { inPage, document = emptyDocument() }: Omit<Measuring, 'files'>,
  { next, onProgress }: Sizes,
  signal?: AbortSignal,
): Promise<void> {
  await page.run(inPage);
  await ask(page, 'learn');
  const request = makeMeasureRequest(document);
  const measured = async () => LayoutSchema.parse(await ask(page, 'measure', request));
  const bare = await measured();
  const stays = writeCss(document, bare, 'full-motion').pieces.filter((p) => p.stays);
  if (stays.length > 0) {
    const kept = await ask<string>(page, 'patch', makePatch(document));
    await page.evaluate(wearScript([kept, ...stays.map(previewCss)].join('\n')));
  }
  onProgress(stays.length > 0 ? await measured() : bare);
  for (let size = next(); size; size = next()) {
    signal?.throwIfAborted();
    await page.setViewportSize(size);
    onProgress(await measured());
  }
}

/**
 * `files` without what the document has taken over from them, so that no motion plays. Pins and adjustments of the document are in place.
 * `inPage` is the source of the built script that looks. Yields a layout for each size, all in one browser; `next` may give another one.
 */
export async function measurePages(
  { files, ...how }: Measuring,
  next: () => Viewport | null,
  onProgress: (layout: Layout) => void,
  signal?: AbortSignal,
): Promise<void> {
  const first = next();
  if (!first) return;
  const opened = ({ page, late }: OpenedPage) =>
    measureOpened(
      asEnginePage(page),
      how,
      { next, onProgress: (layout) => onProgress(noted(layout, late)) },
      signal,
    );
  await withPage(files, first, opened, signal);
}

/** The same at one size. */
export async function measurePage(
  files: PageFiles,
  viewport: Viewport,
  inPage: string,
  document: MotionDocument = emptyDocument(),
  signal?: AbortSignal,
): Promise<Layout> {
  let layout: Layout | null = null;
  await measurePages(
    { files, inPage, document },
    () => (layout ? null : viewport),
    (l) => (layout = l),
    signal,
  );
  return present(layout);
}

const noted = (layout: Layout, late: boolean): Layout =>
  late
    ? {
        ...layout,
        notes: [
          'The page’s load event did not come; it was measured three seconds after its HTML.',
          ...layout.notes,
        ],
      }
    : layout;
