/** Debian’s Chromium without a window, driven over the DevTools protocol. It reaches the files of one page and nothing else. */
import { existsSync } from 'node:fs';
import { chromium } from 'playwright-core';
import type { Browser, Page } from 'playwright-core';
import mime from 'mime-types';
import type { Viewport } from '@lyvek/core';
import type { PageFiles } from './page-files.ts';

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/snap/bin/chromium'];

/** Path of the browser’s program, or null. `LYVEK_CHROMIUM` names another one. */
export const chromiumPath = (): string | null =>
  [process.env.LYVEK_CHROMIUM, ...PLACES].find((p) => p !== undefined && existsSync(p)) ?? null;

export class NoChromium extends Error {
  constructor() {
    super(
      'No Chromium is installed. On Debian: apt-get install --no-install-recommends chromium fonts-liberation. Or name one with LYVEK_CHROMIUM.',
    );
  }
}

const FLAGS = [
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  // Interception sees requests of pages; what is no request (sockets, peers, preconnects) goes by way of the proxy below, or not at all.
  '--webrtc-ip-handling-policy=disable_non_proxied_udp',
  '--force-webrtc-ip-handling-policy=disable_non_proxied_udp',
  '--host-resolver-rules=MAP * ~NOTFOUND',
];
/** A proxy that nobody can reach: every connection that the browser makes by itself ends there, those to this machine too. */
const NOWHERE = { server: 'http://nowhere.invalid:1', bypass: '<-loopback>' };

/** A name that leads nowhere: requests to it are answered from the page’s files, all others are refused. */
const HOST = 'http://page.test';
const LOAD = 15_000;
const LATE = 3000;

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
  const executablePath = chromiumPath();
  if (!executablePath) throw new NoChromium();
  signal?.throwIfAborted();
  const root = process.getuid?.() === 0;
  const browser = await chromium.launch({
    executablePath,
    args: root ? [...FLAGS, '--no-sandbox'] : FLAGS,
    proxy: NOWHERE,
  });
  const stop = () => void browser.close();
  signal?.addEventListener('abort', stop);
  try {
    const opened = await open(browser, files, viewport);
    return await work(opened);
  } catch (error) {
    // Closing the browser makes whatever was under way fail in its own words.
    signal?.throwIfAborted();
    throw error;
  } finally {
    signal?.removeEventListener('abort', stop);
    await browser.close();
  }
}

async function open(browser: Browser, files: PageFiles, viewport: Viewport): Promise<OpenedPage> {
  const context = await browser.newContext({ viewport, serviceWorkers: 'block', acceptDownloads: false });
  const page = await context.newPage();
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
