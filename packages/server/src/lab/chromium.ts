/** One page in Chromium, driven over the DevTools protocol. It reaches its own files and nothing else. */
import { lastItem } from '@lyvek/core';
import { setTimeout as rest } from 'node:timers/promises';
import type { Browser, Page } from 'playwright-core';
import mime from 'mime-types';
import type { Viewport } from '@lyvek/core';
import { startBrowser } from './browser.ts';
import type { PageFiles } from './page-files.ts';
import { Watch } from './watch.ts';

/** A name that leads nowhere: requests to it are answered from the page’s files, all others are refused. */
const HOST = 'http://page.test';
const LOAD = 15_000;
const LATE = 3000;
const CLOSING_MS = 3000;

export interface OpenedPage {
  page: Page;
  /** the page’s load event never came */
  late: boolean;
  /** Opens it once more, in another way. */
  again(how: Opening): Promise<void>;
}

export interface Opening {
  viewport: Viewport;
  /** for readers who ask for reduced motion */
  reducedMotion?: boolean;
}

/** Opens some files as a page; what was opened before stays open. */
export type OpenPage = (files: PageFiles, how: Opening) => Promise<OpenedPage>;

/** Runs some work with a browser, and ends the browser whatever happens. `givesWay`: its times are not measured. */
export async function withBrowser<T>(
  work: (open: OpenPage, version: string) => Promise<T>,
  signal?: AbortSignal,
  givesWay = false,
): Promise<T> {
  signal?.throwIfAborted();
  const started = await startBrowser();
  if (givesWay) started.giveWay();
  const { browser } = started;
  const watch = new Watch(started, HOST);
  const stop = () => started.kill();
  signal?.addEventListener('abort', stop);
  try {
    return await watch.over(work((files, how) => open(browser, files, how, watch), browser.version()));
  } catch (error) {
    // Closing the browser makes whatever was under way fail in its own words.
    signal?.throwIfAborted();
    throw error;
  } finally {
    signal?.removeEventListener('abort', stop);
    // A page that is busy may keep the browser from closing.
    await Promise.race([browser.close(), rest(CLOSING_MS)]);
    started.kill();
  }
}

/** The same with one page, opened at a size. */
export const withPage = <T>(
  files: PageFiles,
  viewport: Viewport,
  work: (opened: OpenedPage) => Promise<T>,
  signal?: AbortSignal,
): Promise<T> => withBrowser(async (open) => work(await open(files, { viewport })), signal);

async function open(
  browser: Browser,
  files: PageFiles,
  { viewport, reducedMotion = false }: Opening,
  watch: Watch,
): Promise<OpenedPage> {
  const context = await browser.newContext({
    viewport,
    reducedMotion: motionFor(reducedMotion),
    serviceWorkers: 'block',
    acceptDownloads: false,
  });
  const page = await context.newPage();
  const stays = watch.page(page);
  page.on('dialog', (d) => void d.dismiss().catch(() => {}));
  await context.routeWebSocket(/./, (socket) => void socket.close());
  await context.route('**/*', async (route) => {
    const url = new URL(route.request().url());
    if (url.origin !== HOST) return route.abort();
    const path = safeDecode(url.pathname.slice(1)) || files.entry;
    const body = files.bytesAt(path);
    if (!body) return route.fulfill({ status: 404, body: '' });
    const contentType = mime.contentType(lastItem(path.split('/'))) || 'application/octet-stream';
    return route.fulfill({ body: Buffer.from(body), contentType });
  });
  page.setDefaultTimeout(60_000);
  const load = async () => {
    stays(false);
    await page.goto(`${HOST}/${encodeURI(files.entry)}`, { waitUntil: 'domcontentloaded', timeout: LOAD });
    const late = await page
      .waitForLoadState('load', { timeout: LATE })
      .then(() => false)
      .catch(() => true);
    await page.evaluate(
      'Promise.race([document.fonts.ready, new Promise((r) => setTimeout(r, 1500))]).then(() => 0)',
    );
    stays(true);
    return late;
  };
  return {
    page,
    late: await load(),
    async again({ viewport, reducedMotion = false }) {
      await page.setViewportSize(viewport);
      await page.emulateMedia({ reducedMotion: motionFor(reducedMotion) });
      await load();
    },
  };
}

const motionFor = (reducedMotion: boolean) => (reducedMotion ? 'reduce' : 'no-preference');

function safeDecode(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return path;
  }
}
