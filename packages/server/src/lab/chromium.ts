/** One page in Chromium, driven over the DevTools protocol. It reaches its own files and nothing else. */
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
}

/** Runs some work with the page opened at a size, and ends the browser whatever happens. */
export async function withPage<T>(
  files: PageFiles,
  viewport: Viewport,
  work: (opened: OpenedPage) => Promise<T>,
  signal?: AbortSignal,
): Promise<T> {
  signal?.throwIfAborted();
  const started = await startBrowser();
  const { browser } = started;
  const watch = new Watch(started, HOST);
  const stop = () => started.kill();
  signal?.addEventListener('abort', stop);
  try {
    const opened = open(browser, files, viewport, watch).then((page) => {
      watch.settle();
      return work(page);
    });
    return await watch.over(opened);
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

async function open(
  browser: Browser,
  files: PageFiles,
  viewport: Viewport,
  watch: Watch,
): Promise<OpenedPage> {
  const context = await browser.newContext({ viewport, serviceWorkers: 'block', acceptDownloads: false });
  const page = await context.newPage();
  watch.page(page);
  page.on('dialog', (d) => void d.dismiss().catch(() => {}));
  await context.routeWebSocket(/./, (socket) => void socket.close());
  await context.route('**/*', async (route) => {
    const url = new URL(route.request().url());
    if (url.origin !== HOST) return route.abort();
    const path = safeDecode(url.pathname.slice(1)) || files.entry;
    const body = files.bytesAt(path);
    if (!body) return route.fulfill({ status: 404, body: '' });
    const contentType = mime.contentType(path.split('/').at(-1)!) || 'application/octet-stream';
    return route.fulfill({ body: Buffer.from(body), contentType });
  });
  page.setDefaultTimeout(60_000);
  await page.goto(`${HOST}/${encodeURI(files.entry)}`, { waitUntil: 'domcontentloaded', timeout: LOAD });
  const late = await page
    .waitForLoadState('load', { timeout: LATE })
    .then(() => false)
    .catch(() => true);
  await page.evaluate(
    'Promise.race([document.fonts.ready, new Promise((r) => setTimeout(r, 1500))]).then(() => 0)',
  );
  return { page, late };
}

function safeDecode(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return path;
  }
}
