/** Debian’s Chromium, as the rest of the lab uses it. */
import { CUT, ENGINE_NAMES } from '@lyvek/core';
import { chromiumPath, NoChromium } from '../browser.ts';
import { withBrowser } from '../chromium.ts';
import type { Page } from 'playwright-core';
import type { Engine, EnginePage } from './engine.ts';

export const asEnginePage = (page: Page): EnginePage => ({
  run: async (script) => void (await page.evaluate(`${script};0`)),
  evaluate: (expression) => page.evaluate(expression),
  setViewportSize: (size) => page.setViewportSize(size),
  close: () => page.context().close(),
});

export const chromium: Engine = {
  name: 'chromium',
  label: ENGINE_NAMES.chromium,
  missing: () => (chromiumPath() ? null : new NoChromium().message),
  use: (work, signal) =>
    withBrowser(
      (open, version) =>
        work({
          version: `Chromium ${version}`,
          cut: CUT,
          async open(files, { viewport }) {
            const { page } = await open(files, { viewport });
            return asEnginePage(page);
          },
        }),
      signal,
    ),
};
