/** Pages that move by their own CSS, and what becomes of them: read, taken out, written again. */
import { readdirSync, readFileSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import {
  handOffCss,
  insertLastInHead,
  patchHtml,
  makePatch,
  readPage,
  takenOut,
  present,
  LayoutSchema,
  makeMeasureRequest,
} from '@lyvek/core';
import type { HtmlPatch, Layout, ImportResult } from '@lyvek/core';
import type { Oracle } from '../oracle/in-page.ts';

const FOLDER = fileURLToPath(new URL('../fixtures/moving/', import.meta.url));

/** Files of one page by path; `index.html` is its entry. */
export type Files = ReadonlyMap<string, string>;

export const movingPages = (): string[] =>
  readdirSync(FOLDER, { withFileTypes: true })
    .map((e) => (e.isDirectory() ? e.name : e.name.replace(/\.html$/, '')))
    .sort();

export function listFiles(name: string): Files {
  const folder = join(FOLDER, name);
  if (!existsSync(folder)) return new Map([['index.html', readFileSync(`${folder}.html`, 'utf8')]]);
  const paths = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile())
    .map((e) => join(e.parentPath, e.name).slice(folder.length + 1));
  return new Map(paths.map((p) => [p, readFileSync(join(folder, p), 'utf8')]));
}

export const read = (files: Files): ImportResult =>
  readPage('index.html', present(files.get('index.html')), (p) => files.get(p) ?? null);

/** The page without what was read. */
export const stripped = (files: Files, imported: ImportResult): Files =>
  new Map([...files, ...[...takenOut(imported.claims)].map(([path, { text }]) => [path, text] as const)]);

export const SHEET = 'page.motion.css';

/** The page as it is handed off. */
export function handedOff(files: Files, { document }: ImportResult, layout: Layout): Files {
  const { css } = handOffCss(document, layout, 'Page');
  const { html } = patchHtml(present(files.get('index.html')), makePatch(document, layout.kept));
  const linked = html.includes(SHEET)
    ? html
    : insertLastInHead(html, `<link rel="stylesheet" href="${SHEET}">`).html;
  return new Map([...files, ['index.html', linked], [SHEET, css]]);
}

export const HOST = 'http://page.test';

/** Serves pages by name from memory; nothing leaves the machine. */
export async function serve(page: Page, pages: Record<string, Files>): Promise<void> {
  await page.route(`${HOST}/**`, async (route) => {
    const [, name = '', ...path] = new URL(route.request().url()).pathname.split('/');
    const file =
      pages[name]?.get(path.join('/') || 'index.html') ?? pages.before?.get([name, ...path].join('/'));
    const type = path.at(-1)?.endsWith('.css') ? 'text/css' : 'text/html';
    await route.fulfill(file === undefined ? { status: 404, body: '' } : { body: file, contentType: type });
  });
}

/** Measured in the browser, with the pins of its document in place. */
export async function measured(
  page: Page,
  script: string,
  files: Files,
  { document }: ImportResult,
): Promise<Layout> {
  await serve(page, { bare: files });
  await page.goto(`${HOST}/bare/`);
  await page.evaluate(script);
  const ask = async <T>(work: (o: Oracle, arg: never) => T, arg: unknown) =>
    page.evaluate(`(${work.toString()})(oracle, ${JSON.stringify(arg)})`) as Promise<Awaited<T>>;
  await ask((o, p: HtmlPatch) => o.patch(p), makePatch(document));
  return LayoutSchema.parse(await ask((o, s) => o.measure(s), makeMeasureRequest(document)));
}
