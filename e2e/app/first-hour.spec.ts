/** The first hour: what a new user is offered, the tour on the real screen, and the way to a page of one’s own. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import AxeBuilder from '@axe-core/playwright';
import { saved } from '../support/app.ts';
import { dwell, settled } from '../support/time.ts';
import { startServer, withDatabase } from '../support/servers.ts';

/** A Lyvek that nobody has used yet. */
const fresh = (work: (url: string) => Promise<void>) =>
  withDatabase(async (database) => {
    const server = await startServer(database);
    try {
      await work(server.url);
    } finally {
      await server.stop();
    }
  });

/** The page that is worked on is there, and has been measured. */
const opened = async (page: Page) => {
  await page.locator('.rundown').waitFor({ timeout: 20_000 });
  await settled(page);
};
const card = (page: Page) => page.getByRole('region', { name: 'Guided tour' });
const next = (page: Page) => card(page).getByRole('button', { name: 'Next step' }).click();
const isDone = (page: Page) => expect(card(page).getByRole('status')).toHaveText('Done.');

test('the tour: five steps on a real page, left and resumed, on a take of its own', async ({ page }) => {
  await fresh(async (url) => {
    await page.goto(url);
    await page.getByRole('button', { name: 'Take the tour' }).click();
    await opened(page);
    await expect(card(page)).toContainText('1 of 5');
    await expect(page.getByRole('button', { name: 'Take: Tour' })).toBeVisible();
    await page.mouse.move(1000, 300);
    for (let i = 0; i < 6; i++) {
      await page.mouse.wheel(0, 120);
      await dwell(page, 60);
    }
    await isDone(page);
    await next(page);
    await page.locator('.rundown').focus();
    await page.keyboard.press('n');
    await isDone(page);
    // Left in the middle, and back on another day.
    await card(page).getByRole('button', { name: 'Leave the tour' }).click();
    await expect(card(page)).toHaveCount(0);
    await page.goto(url);
    await page.getByRole('button', { name: 'Resume the tour' }).click();
    await opened(page);
    await expect(card(page)).toContainText('2 of 5');
    await page.locator('.rundown').focus();
    await page.keyboard.press('n');
    await isDone(page);
    await next(page);
    await page.locator('.rundown').focus();
    await page.keyboard.press('ArrowDown');
    await isDone(page);
    await next(page);
    await page.locator('.rundown').focus();
    await page.keyboard.press('Control+d');
    await isDone(page);
    await saved(page);
    await next(page);
    await page.getByRole('link', { name: 'Hand-off' }).click();
    await isDone(page);
    await card(page).getByRole('button', { name: 'Finish' }).click();
    await expect(page.locator('.notice')).toContainText('That was the tour');
    await page.reload();
    await expect(page.locator('.code').first()).toBeVisible();
    await expect(card(page)).toHaveCount(0);
    // The demo itself is as it was.
    await page.getByRole('button', { name: 'Take: Tour' }).click();
    await page.getByRole('dialog').getByText('Take A', { exact: true }).click();
    await page.getByRole('link', { name: 'Rundown', exact: true }).click();
    await opened(page);
    await expect(page.locator('.save-state')).toHaveText('Saved · rev 1');
  });
});

test('a page of one’s own from sections, in a project of its own; the welcome goes with it', async ({
  page,
}) => {
  await fresh(async (url) => {
    await page.goto(url);
    const welcome = page.getByRole('region', { name: 'Welcome' });
    await expect(welcome).toBeVisible();
    await welcome.getByRole('button', { name: 'Start from sections' }).click();
    await expect(page.getByRole('button', { name: 'Project My pages' })).toBeVisible();
    await page.getByRole('button', { name: 'Make the page' }).click();
    await opened(page);
    await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready');
    await page.goto(url);
    await expect(page.getByRole('heading', { name: 'The shelf' })).toBeVisible();
    await expect(welcome).toHaveCount(0);
  });
});

test('help: six pictures that move until they are told to stand still, and every shortcut', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'The shelf' })).toBeVisible();
  await page.getByRole('button', { name: 'Help' }).click();
  const help = page.getByRole('dialog', { name: 'Help' });
  await expect(help.getByRole('img')).toHaveCount(6);
  const running = () =>
    help.evaluate((e) => e.getAnimations({ subtree: true }).filter((a) => a.playState === 'running').length);
  await expect.poll(running).toBeGreaterThan(10);
  await help.getByRole('checkbox', { name: 'Pictures move' }).uncheck();
  expect(await running()).toBe(0);
  const { violations } = await new AxeBuilder({ page }).include('.help').analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join()}`)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(help).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Help' })).toBeFocused();
});
