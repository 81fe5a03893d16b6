/** A take on a device: let in by people, shown whole, edited within a second, following and leading; and nothing else is reached. */
import { expect, test } from '@playwright/test';
import type { APIRequestContext, Browser, Page } from '@playwright/test';
import { present } from '@lyvek/core';
import { addMotion, html, openNew, pick, saved } from '../support/app.ts';
import { elapse } from '../support/time.ts';

const PAGE = html(
  '<header><h1>Ferry</h1></header><p id="card">Departures</p><footer></footer>',
  'header,footer{height:1200px}p{margin:0;height:200px;background:#cde;font-size:30px}',
);
const HERE = '127.0.0.1';

async function openShow(page: Page): Promise<string> {
  await page.getByRole('button', { name: /^Show on a device/ }).click();
  await page.getByRole('radio', { name: HERE }).check();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  return present(await page.locator('.show-url').textContent());
}
const readShow = async (request: APIRequestContext, pageId: string) => {
  const { takes } = await (await request.get(`/api/pages/${pageId}`)).json();
  return (await (await request.get(`/api/takes/${takes[0].id}/show`)).json()).running;
};

/** A phone with a finger. */
const openPhone = async (browser: Browser): Promise<Page> => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 700 },
    hasTouch: true,
    isMobile: true,
    deviceScaleFactor: 2,
    userAgent: 'Mozilla/5.0 (Linux; Android 15; Phone) AppleWebKit/537.36 Chrome/130 Mobile Safari/537.36',
  });
  return context.newPage();
};
/** A finger that goes up over the screen, faster and faster, and lets go. */
async function fling(phone: Page): Promise<void> {
  const session = await phone.context().newCDPSession(phone);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', y?: number) =>
    session.send('Input.dispatchTouchEvent', { type, touchPoints: y === undefined ? [] : [{ x: 200, y }] });
  await touch('touchStart', 560);
  for (let i = 1; i <= 12; i++) {
    await touch('touchMove', 560 - 3 * i * i);
    await elapse(phone, 16);
  }
  await touch('touchEnd');
  await session.detach();
}
const scrollY = (page: Page) => page.evaluate(() => window.scrollY);

test('a phone is let in, follows the playhead, shows edits, leads, and is put out', async ({
  page,
  request,
  browser,
}) => {
  const id = await openNew(page, request, `Device ${Date.now()}`, PAGE);
  await pick(page, '#card');
  await addMotion(page, 'Rise');
  await saved(page);
  const url = await openShow(page);
  const { code, link } = await readShow(request, id);
  const phone = await openPhone(browser);
  // Wrong letters, then those on the screen.
  await phone.goto(url);
  await phone.getByLabel('Letters').fill('AAAAAA');
  await phone.getByRole('button', { name: 'Open' }).click();
  await expect(phone.getByText('These are other letters')).toBeVisible();
  await phone.getByLabel('Letters').fill(code.toLowerCase());
  await phone.getByRole('button', { name: 'Open' }).click();
  await expect(phone.getByRole('heading', { name: 'Waiting to be let in' })).toBeVisible();
  const letters = present(await phone.locator('b').textContent());
  await expect(page.locator('.show-devices')).toContainText('Android phone, Chrome');
  await expect(page.locator('.show-devices')).toContainText(letters);
  await page.getByRole('button', { name: 'Let it in' }).click();
  await expect(phone.getByRole('heading', { name: 'Ferry' })).toBeVisible();
  await expect(page.locator('.show-devices')).toContainText('390 × 700 px in sight, 2×');

  // It follows the playhead by its share of the page.
  const frame = present(page.frames().find((f) => f.parentFrame() === page.mainFrame()));
  await page.keyboard.press('Escape');
  await frame.evaluate(() => scrollTo({ top: 900, behavior: 'instant' }));
  const share = 900 / (await frame.evaluate(() => document.documentElement.scrollHeight - innerHeight));
  const max = await phone.evaluate(() => document.documentElement.scrollHeight - innerHeight);
  await expect.poll(async () => Math.abs((await scrollY(phone)) - share * max)).toBeLessThan(4);

  // An edit is there within a second or so, at the same place.
  const names = () =>
    phone.evaluate(() => document.getAnimations().map((a) => (a as CSSAnimation).animationName));
  expect(await names()).toHaveLength(1);
  await pick(page, '#card');
  await addMotion(page, 'Highlight');
  await saved(page);
  await expect.poll(async () => (await names().catch(() => [])).length, { timeout: 4000 }).toBe(2);
  await expect.poll(async () => Math.abs((await scrollY(phone)) - share * max)).toBeLessThan(4);

  // It leads: a finger scrolls, and the playhead goes along.
  await page.getByRole('button', { name: /^Show on a device/ }).click();
  await page.getByRole('button', { name: /^The device leads/ }).click();
  await phone.touchscreen.tap(200, 300);
  await phone.evaluate(() => scrollTo({ top: 300, behavior: 'instant' }));
  await expect
    .poll(async () => Math.abs((await frame.evaluate(() => window.scrollY)) - (300 / max) * (900 / share)))
    .toBeLessThan(6);

  // A fling of a finger becomes the gesture.
  await page.getByRole('button', { name: 'Record', exact: true }).last().click();
  await expect(page.getByText('Scroll on it now')).toBeVisible();
  await fling(phone);
  await expect(page.getByText(/^“Scrolling 1”, [\d.]+ s, chosen as the gesture/)).toBeVisible();

  // The link of the code for cameras needs no letters, and still waits.
  const other = await openPhone(browser);
  await other.goto(link);
  await expect(other.getByRole('heading', { name: 'Waiting to be let in' })).toBeVisible();
  await page.getByRole('button', { name: 'Refuse' }).click();
  await expect(other.getByText('This link is no longer in use')).toBeVisible();

  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByText('It ended. It was stopped.')).toBeVisible();
  await expect
    .poll(() =>
      request.get(url).then(
        () => 'open',
        () => 'closed',
      ),
    )
    .toBe('closed');
});

test('a device measures: its own frames, beside those of the lab and the prediction', async ({
  page,
  request,
  browser,
}) => {
  const id = await openNew(page, request, `Device measures ${Date.now()}`, PAGE);
  await pick(page, '#card');
  await addMotion(page, 'Rise');
  await saved(page);
  await openShow(page);
  const { link } = await readShow(request, id);
  const phone = await openPhone(browser);
  await phone.goto(link);
  await page.getByRole('button', { name: 'Let it in' }).click();
  await expect(phone.getByRole('heading', { name: 'Ferry' })).toBeVisible();
  await expect(page.locator('.show-devices')).toContainText('in sight');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Trials' }).click();
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await page.getByRole('button', { name: /^On the device: Android phone, Chrome/ }).click();
  await expect(page.getByText('measuring on Android phone, Chrome')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Trials/ }).filter({ hasText: 'Measured' })).toBeVisible({
    timeout: 90_000,
  });
  const { trials } = await (await request.get(`/api/pages/${id}/trials`)).json();
  expect(trials[0]).toMatchObject({
    state: 'done',
    setup: { on: 'Android phone, Chrome', viewport: { width: 390, height: 700 } },
  });
});

test('a page that is left ends what it showed', async ({ page, request }) => {
  await openNew(page, request, `Device left ${Date.now()}`, PAGE);
  const url = await openShow(page);
  expect((await request.get(url)).status()).toBe(200);
  await page.goto('about:blank');
  await expect
    .poll(
      () =>
        request.get(url).then(
          () => 'open',
          () => 'closed',
        ),
      { timeout: 30_000 },
    )
    .toBe('closed');
  await elapse(page, 100);
});
