/** A hand-off’s files, as a page of a site of its own. */
import { lastItem } from '@lyvek/core';
import type { BrowserContext, Page } from '@playwright/test';
import { elapse } from './time.ts';

const TYPES: Record<string, string> = {
  html: 'text/html',
  css: 'text/css',
  js: 'text/javascript',
  svg: 'image/svg+xml',
};

/** Serves a hand-off’s files; `old`: `denied` is not known in CSS, nor in the answers of CSS.supports. */
export async function served(
  context: BrowserContext,
  files: Record<string, Uint8Array>,
  old = false,
  denied = 'timeline',
): Promise<Page> {
  const page = await context.newPage();
  await page.setViewportSize({ width: 1280, height: 800 });
  if (old)
    await page.addInitScript((word) => {
      const supports = CSS.supports.bind(CSS) as (...a: string[]) => boolean;
      CSS.supports = ((...a: string[]) =>
        !a.join(':').includes(word) && supports(...a)) as typeof CSS.supports;
    }, denied);
  await page.route('http://handed.off/**', (route) => {
    const path = new URL(route.request().url()).pathname.slice(1) || 'index.html';
    const file = files[path];
    if (!file) return route.fulfill({ status: 404 });
    const type = TYPES[lastItem(path.split('.'))] ?? 'text/plain';
    const text = Buffer.from(file);
    // A browser without a feature skips the block that asks for it.
    const body =
      old && path.endsWith('.motion.css')
        ? text
            .toString('utf8')
            .replace(new RegExp(`@supports \\(animation-${denied}:[^{]*\\{`), '@supports (no-such: thing) {')
        : text;
    return route.fulfill({ body, contentType: type });
  });
  await page.goto('http://handed.off/');
  await elapse(page, 700);
  return page;
}
