/** The hand-off opened from a link, on a page that this take was never shown with: it measures for itself. */
import { present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import { newProject } from '../support/app.ts';
import { goThere, PLACES } from '../stranger/pages.ts';
import { settled } from '../support/time.ts';

for (const place of PLACES.filter((p) => /night|Pins/.test(p.name)))
  test(`${place.name}: code is there without the Rundown`, async ({ page, request }) => {
    const { url } = await goThere(request, place, await newProject(request, `Straight ${place.name}`));
    const there = new URL(url);
    there.pathname += '/hand-off';
    await page.goto(there.href);
    await expect(page.locator('.hand-css .code')).toContainText('@keyframes', { timeout: 40_000 });
    await expect(page.locator('.unseen-page')).toHaveCount(0);
  });

test('a page that does not answer: it is said, and where to look', async ({ page, request }) => {
  const place = present(PLACES.find((p) => p.name.includes('Pins')));
  const { url } = await goThere(request, place, await newProject(request, 'Straight, silent'));
  const there = new URL(url);
  there.pathname += '/hand-off';
  await page.route(
    () => true,
    (route) => (route.request().frame() === page.mainFrame() ? route.continue() : route.abort()),
  );
  await page.goto(there.href);
  await expect(page.getByText('Measuring the page at 1280 × 800')).toBeVisible({ timeout: 20_000 });
  await expect(page.getByText('The page does not respond')).toBeVisible({ timeout: 20_000 });
  await page.getByRole('link', { name: 'To the Rundown' }).click();
  await expect(page.locator('.rundown')).toBeVisible();
});

test('opened while the server is away: it is said, it goes on by itself, and sooner when asked', async ({
  page,
  request,
}) => {
  const place = present(PLACES.find((p) => p.name.includes('Wider')));
  const { url } = await goThere(request, place, await newProject(request, 'Straight, away'));
  let away = true;
  let asked = 0;
  await page.route('**/api/**', (route) => {
    asked++;
    return away ? route.abort() : route.continue();
  });
  for (const where of [url, new URL('/', url).href, new URL('/presets', url).href]) {
    await page.goto(where);
    const note = page.getByRole('status').filter({ hasText: 'does not answer' });
    await expect(note).toContainText('kept in this browser');
    const before = asked;
    await note.getByRole('button', { name: 'Try now' }).click();
    await expect.poll(() => asked).toBeGreaterThan(before);
  }
  await page.goto(url);
  await expect(page.getByText('does not answer')).toBeVisible();
  away = false;
  await expect(page.locator('.rundown[data-settled=true]')).toBeVisible({ timeout: 20_000 });
});

test('every screen opens without the network, says what it lacks, and gets it when it is back', async ({
  page,
  context,
  request,
}) => {
  const faults: string[] = [];
  page.on('pageerror', (e) => faults.push(e.message));
  const place = present(PLACES.find((p) => p.name.includes('Pins')));
  const { url } = await goThere(request, place, await newProject(request, 'Straight, offline'));
  await page.goto(url);
  await settled(page);
  // The other screens, and what draws charts, are loaded ahead.
  await expect
    .poll(() =>
      page.evaluate(
        () => performance.getEntriesByType('resource').filter((e) => /apexcharts\.esm/.test(e.name)).length,
      ),
    )
    .toBeGreaterThan(0);
  // Nothing more comes in.
  let known = -1;
  await expect
    .poll(
      async () => {
        const before = known;
        known = await page.evaluate(() => performance.getEntriesByType('resource').length);
        return known === before;
      },
      { intervals: [800] },
    )
    .toBe(true);
  await context.setOffline(true);
  await page.getByRole('link', { name: 'Trials' }).click();
  await expect(page.locator('.time-chart svg').first()).toBeVisible();
  await page.getByRole('link', { name: 'Takes' }).click();
  await expect(
    page
      .getByRole('heading', { name: /Takes|differ/i })
      .or(page.locator('.takes'))
      .first(),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Hand-off' }).click();
  const note = page.getByRole('status').filter({ hasText: 'does not answer' });
  await expect(note).toContainText('Lyvek keeps trying');
  await context.setOffline(false);
  await expect(page.locator('.hand-css .code')).toContainText('@keyframes', { timeout: 20_000 });
  expect(faults).toEqual([]);
});
