/** Measures a page into a layout, as the probe does in the preview. */
import type { Page } from 'playwright-core';
import { emptyDocument, LayoutSchema, patchOf, previewCss, selectorsOf, writeCss } from '@lyvek/core';
import type { Layout, MotionDocument, Viewport } from '@lyvek/core';
import { withPage } from './chromium.ts';
import type { PageFiles } from './page-files.ts';

/** `lyvekInPage.<name>(…args)` inside the page. */
export const ask = <T>(page: Page, name: string, ...args: unknown[]): Promise<T> =>
  page.evaluate(`lyvekInPage.${name}(${args.map((a) => JSON.stringify(a)).join(', ')})`) as Promise<T>;

/**
 * `files` without what the document has taken over from them, so that no motion plays. Pins and adjustments of the document are in place.
 * `inPage` is the source of the built script that looks.
 */
export async function measurePage(
  files: PageFiles,
  viewport: Viewport,
  inPage: string,
  document: MotionDocument = emptyDocument(),
  signal?: AbortSignal,
): Promise<Layout> {
  return withPage(
    files,
    viewport,
    async ({ page, late }) => {
      await page.evaluate(inPage);
      await ask(page, 'learn');
      const selectors = selectorsOf(document);
      const measured = async () => LayoutSchema.parse(await ask(page, 'measure', selectors));
      const bare = await measured();
      const stays = writeCss(document, bare, 'full-motion').pieces.filter((p) => p.stays);
      if (stays.length === 0) return noted(bare, late);
      await ask(page, 'patch', patchOf(document));
      await page.addStyleTag({ content: stays.map(previewCss).join('\n') });
      return noted(await measured(), late);
    },
    signal,
  );
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
