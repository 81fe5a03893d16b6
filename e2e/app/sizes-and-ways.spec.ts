/** A take at other sizes, under every way of scrolling, and under the hand. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { readDocument, itemAt, present } from '@lyvek/core';
import { addNew, base, html } from '../support/app.ts';
import { FULL } from '../support/full.ts';
import { elapse } from '../support/time.ts';

/** The last card stands 700 px before the end of wide pages and 100 px before that of narrow ones. */
const PAGE = html(
  '<div class="gap"></div><div class="card" id="first">1</div><div class="gap"></div><div class="card" id="card">2</div><div id="last"></div>',
  `.gap { height: 1400px } .card { height: 300px; margin: 0 40px; background: #cdb } #last { height: 700px }
@keyframes rise { from { translate: 0 60px } }
#card { animation: rise linear both; animation-timeline: view(block 0px); animation-range: entry 0% cover calc(0% + 600px) }
@media (prefers-reduced-motion: reduce) { #card { animation: none } }
@media (max-width: 500px) { #last { height: 100px } }`,
);

async function opened(page: Page, mode = '/trials'): Promise<string> {
  const id = await addNew(page.request, `Sizes ${Date.now()}`, PAGE);
  await page.goto(`${base}/pages/${id}${mode}`);
  await expect(page.locator('.trial-findings')).toHaveAttribute('data-state', 'fresh', { timeout: 30_000 });
  return id;
}
async function makeDocument(page: Page, id: string) {
  const { takes } = (await (await page.request.get(`${base}/api/pages/${id}`)).json()) as {
    takes: { id: string }[];
  };
  const { document } = (await (
    await page.request.get(`${base}/api/takes/${itemAt(takes, 0).id}`)
  ).json()) as {
    document: unknown;
  };
  const read = readDocument(document);
  if (!read.ok) throw new Error('the document cannot be read');
  return read.document;
}

test('what goes wrong on narrow screens is found without opening them, shown there, and mended for all sizes', async ({
  page,
}) => {
  test.slow();
  const id = await opened(page);
  const rows = page.locator('.other-sizes li');
  await expect(page.locator('.trial-findings li')).toHaveCount(0);
  await page.getByRole('button', { name: 'Sizes', exact: true }).click();
  await page.getByRole('button', { name: 'Look at other sizes' }).click();
  await expect(page.locator('.sizes')).toHaveAttribute('data-state', 'fresh', { timeout: 60_000 });
  const finding = rows.filter({ hasText: 'ends past page' });
  await expect(finding).toHaveCount(1);
  await expect(finding).toContainText(/at \d+ of 129 sizes, 320 to 480 wide/);
  // The map says the same: its narrow columns are marked, and the arrow keys lead there.
  const cell = (size: string) => page.getByRole('button', { name: new RegExp(`^${size},`) });
  await expect(cell('390 × 800')).toHaveAttribute('data-found', 'error');
  await expect(cell('1024 × 800')).not.toHaveAttribute('data-found', /./);
  await cell('1280 × 800').focus();
  await page.keyboard.press('ArrowLeft');
  await expect(cell('1024 × 800')).toBeFocused();
  await expect(page.locator('.sizes-said')).toContainText('1024 × 800');

  await finding.getByRole('button', { name: 'Show' }).click();
  await expect(page.getByRole('button', { name: /^Viewport (320|360|390|412|480) × / })).toBeVisible();
  await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready');
  await page.getByRole('link', { name: 'Trials', exact: true }).click();
  await page.getByRole('button', { name: 'Sizes', exact: true }).click();
  await cell('1280 × 800').click();
  await expect(page.locator('.trial-findings')).toHaveAttribute('data-state', 'fresh', { timeout: 30_000 });
  await expect(finding).toHaveCount(1);

  await finding.getByRole('button', { name: 'Fix' }).click();
  await expect(finding).toHaveCount(0, { timeout: 30_000 });
  await expect(page.locator('.sizes')).toHaveAttribute('data-state', 'fresh', { timeout: 60_000 });
  await expect(rows).toHaveCount(0);
  await expect
    .poll(async () => itemAt((await makeDocument(page, id)).motions, 0).range.end)
    .toBe('scroll 100%');
  await page.keyboard.press('Control+z');
  await expect(finding).toHaveCount(1, { timeout: 30_000 });

  // It may stay, with a reason, and then no size shows it.
  await finding.getByRole('button', { name: 'Accept', exact: true }).click();
  await page.getByLabel('Why this is acceptable').fill('Phones see it arrive elsewhere.');
  await page.getByRole('button', { name: 'Accept it' }).click();
  await expect(finding).toHaveCount(0, { timeout: 30_000 });
  await expect(cell('390 × 800')).not.toHaveAttribute('data-found', /./);
});

test('looking at other sizes can be stopped, and goes on where it was', FULL, async ({ page }) => {
  await opened(page);
  await page.getByRole('button', { name: 'Sizes', exact: true }).click();
  await page.getByRole('button', { name: 'Look at other sizes' }).click();
  await expect(page.getByText(/^measuring \d+ × \d+/)).toBeVisible();
  await elapse(page, 600);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.locator('.size-cell[data-how=measured]').first()).toBeVisible();
  await expect(page.locator('.size-cell[data-how=unknown]').first()).toBeVisible();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.locator('.size-cell[data-how=unknown]')).toHaveCount(0, { timeout: 60_000 });
});

test('every way of scrolling is tried at once, and a click goes on with one', FULL, async ({ page }) => {
  await opened(page);
  await page.getByRole('button', { name: 'All gestures', exact: true }).click();
  await expect(page.getByText('28 predicted trials')).toBeVisible();
  await page.getByRole('button', { name: 'Run all' }).click();
  await expect(page.getByRole('button', { name: 'Run again' })).toBeVisible({ timeout: 30_000 });
  const row = page.locator('.ways tbody tr').filter({ hasText: 'Trackpad flick' });
  const at120 = row.locator('td').nth(2).getByRole('button');
  await at120.hover();
  await expect(page.locator('.ways footer')).toContainText(/fewest frames in range \d+/);
  await at120.click();
  await expect(page.getByRole('button', { name: 'Frames: 120 Hz' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Trackpad flick/ }).first()).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('a setting is felt on the real page, changed for another one, and used', async ({ page }) => {
  const id = await opened(page);
  await page.getByRole('button', { name: 'Compare' }).click();
  await page.getByRole('button', { name: 'Try it' }).click();
  const damped = page.locator('.damped-page');
  await expect(damped).toBeVisible();
  const frame = page.frameLocator('.damped-page');
  const box = present(await damped.boundingBox());
  expect(box.height / box.width).toBeCloseTo(800 / 1280, 2);
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.wheel(0, 300);
  // One notch over the small page is one true notch of the page.
  await expect.poll(() => frame.locator('body').evaluate(() => scrollY)).toBe(300);
  await expect
    .poll(() => frame.locator('#card').evaluate((e) => e.getAnimations()[0]?.timeline === document.timeline))
    .toBe(true);
  await page.getByRole('button', { name: 'The other' }).click();
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect
    .poll(async () => itemAt((await makeDocument(page, id)).motions, 0).damping.kind)
    .toBe('spring');
  await page
    .getByRole('region', { name: 'Try it on the page' })
    .getByRole('button', { name: 'Close' })
    .click();
  await expect(damped).toHaveCount(0);
  await expect(page.locator('.smoothness')).toBeVisible();
});
