/** Every screen: reachable, quiet in the console, and without serious accessibility findings in both themes. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { EFFECTS } from '@lyvek/core';
import type { Page } from '@playwright/test';
import { base, demoProject, openRundown } from '../support/app.ts';
import { FULL } from '../support/full.ts';
import { elapse } from '../support/time.ts';

async function serious(page: Page): Promise<string[]> {
  // The brought page is not ours to judge.
  const { violations } = await new AxeBuilder({ page }).exclude('iframe').analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`);
}

for (const scheme of ['light', 'dark'] as const)
  test.describe(scheme, () => {
    test.use({ colorScheme: scheme });

    test(
      'shelf, Rundown, + Motion, hand-off and trials',
      scheme === 'dark' ? FULL : {},
      async ({ page, request }) => {
        // Looking for accessibility findings in a large drawing takes its time.
        test.setTimeout(420_000);
        const noise: string[] = [];
        // A page of the demo project may be replaced by another test while the shelf measures it.
        page.on('console', (m) => m.type() === 'error' && !/412/.test(m.text()) && noise.push(m.text()));
        page.on('pageerror', (e) => noise.push(e.message));
        const project = await demoProject(request);
        const shelf = await (await request.get(`${base}/api/projects/${project}`)).json();
        const demo = shelf.pages[0];
        await page.goto(base);
        await expect(page.getByRole('article', { name: demo.name })).toBeVisible();
        expect(await serious(page)).toEqual([]);
        await openRundown(page, demo.id);
        expect(await serious(page)).toEqual([]);
        await page.locator('[data-motion=m_card2] .bar-grip').click();
        await expect(page.locator('.sentence')).toContainText('until');
        expect(await serious(page)).toEqual([]);
        await page.getByRole('button', { name: '+ Motion' }).click();
        // Presets that were kept stand beside the effects.
        await expect.poll(() => page.locator('.plate').count()).toBeGreaterThanOrEqual(EFFECTS.length);
        expect(await serious(page)).toEqual([]);
        await page.keyboard.press('Escape');
        await page.keyboard.press('?');
        await expect(page.getByRole('dialog', { name: 'Help' })).toBeVisible();
        expect(await serious(page)).toEqual([]);
        await page.keyboard.press('Escape');
        await page.getByRole('link', { name: 'Hand-off' }).click();
        await expect(page.locator('.code').first()).toContainText('@supports');
        expect(await serious(page)).toEqual([]);
        await page.getByRole('link', { name: 'Trials', exact: true }).click();
        await expect(page.locator('.time-chart .apexcharts-line').first()).toBeAttached({ timeout: 20_000 });
        expect(await serious(page)).toEqual([]);
        await page.getByRole('link', { name: 'Presets' }).click();
        await expect(page.getByRole('heading', { name: 'Presets' })).toBeVisible();
        expect(await serious(page)).toEqual([]);
        expect(noise).toEqual([]);
      },
    );

    test(
      'trials of a page with many findings: sizes, ways, and the page under the hand',
      FULL,
      async ({ page, request }) => {
        test.slow();
        const noise: string[] = [];
        page.on('console', (m) => m.type() === 'error' && noise.push(m.text()));
        const shelf = await (await request.get(`${base}/api/projects/${await demoProject(request)}`)).json();
        const hessle = shelf.pages.find((p: { name: string }) => p.name === 'Hessle Loom');
        await page.goto(`${base}/pages/${hessle.id}/trials`);
        await expect(page.locator('.trial-findings')).toHaveAttribute('data-state', 'fresh', {
          timeout: 30_000,
        });
        await page.getByRole('button', { name: 'Try it' }).click();
        await expect(page.locator('.damped-page')).toBeVisible();
        expect(await serious(page)).toEqual([]);
        await page.getByRole('button', { name: 'All gestures', exact: true }).click();
        await page.getByRole('button', { name: 'Run all' }).click();
        // A part is enough to look at: the rest takes its time on a busy machine.
        await elapse(page, 4000);
        const stop = page.locator('.ways').getByRole('button', { name: 'Stop' });
        if (await stop.isVisible()) await stop.click();
        await expect(page.getByRole('button', { name: /^Run (all|again)/ })).toBeVisible({
          timeout: 30_000,
        });
        expect(await serious(page)).toEqual([]);
        await page.getByRole('button', { name: 'Sizes', exact: true }).click();
        await page.getByRole('button', { name: 'Look at other sizes' }).click();
        await elapse(page, 2500);
        await page.getByRole('button', { name: 'Stop' }).click();
        await expect(page.locator('.size-map')).toBeVisible({ timeout: 60_000 });
        expect(await serious(page)).toEqual([]);
        expect(noise).toEqual([]);
      },
    );
  });

test('gliding plays the page down and up again, and the demo has no findings', async ({ page, request }) => {
  const project = await demoProject(request);
  const { pages } = await (await request.get(`${base}/api/projects/${project}`)).json();
  // The long page first: 518 motions, and nothing wrong with any of them.
  await openRundown(page, pages.find((p: { name: string }) => p.name.includes('Almanac')).id);
  await expect(page.locator('.inspector .summary').first()).toContainText('518 motions. Click');
  await expect(page.locator('.findings')).toHaveCount(0);
  await openRundown(page, pages[0].id);
  await expect(page.locator('.findings')).toHaveCount(0);
  await page.keyboard.press(' ');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  const at = async () => Number((await page.locator('.page-at b').innerText()).replace(/\D/g, ''));
  await expect.poll(at).toBeGreaterThan(600);
  await page.keyboard.press(' ');
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
});
