/** The pointer and what events start, from the Rundown to the finished page. */
import { expect, test } from '@playwright/test';
import type { BrowserContext, Frame, Page } from '@playwright/test';
import { present } from '@lyvek/core';
import { unzipSync } from 'fflate';
import { addMotion, html, openNew, pick, preview, saved } from '../support/app.ts';
import { served } from '../support/served.ts';
import { dwell } from '../support/time.ts';

const PAGE = html(
  '<header><button id="go">Open the chart</button></header><section><h2 id="title">Harbour light</h2><p id="card">Seen from eleven miles.</p></section><footer></footer>',
  'header,footer{height:900px;padding:40px}section{height:900px;padding:40px;background:#dce6ea}#card{width:300px;height:120px;background:#fff}',
);

async function handedOff(page: Page, context: BrowserContext, id: string): Promise<Page> {
  const { takes } = await (await page.request.get(`/api/pages/${id}`)).json();
  const query = 'width=1280&height=800';
  const zip = await (await page.request.get(`/api/takes/${takes[0].id}/hand-off.zip?${query}`)).body();
  return served(context, unzipSync(new Uint8Array(zip)));
}
const translateOf = (page: Page | Frame, selector: string) =>
  page.evaluate((s) => getComputedStyle(document.querySelector(s)!).translate, selector);

test('an element drifts with the pointer: in the field, over the page, and handed off', async ({
  page,
  context,
  request,
}) => {
  const id = await openNew(page, request, `Pointer ${Date.now()}`, PAGE);
  await pick(page, '#card');
  await addMotion(page, 'Pointer drift');
  await saved(page);
  const inspector = page.locator('.inspector');
  await expect(inspector).toContainText('Driven by the pointer, from left to right');
  // It is no matter of the scroll: there is nothing to count in its range.
  await expect(page.locator('.figures')).toHaveCount(0);
  const frame = present(page.frames().find((f) => f.parentFrame() === page.mainFrame()));
  const shown = () => translateOf(frame, '#card');

  const field = page.locator('.pointer-field');
  const box = present(await field.boundingBox());
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width + 30, box.y - 20, { steps: 6 });
  await expect.poll(shown).toMatch(/^24px -24px$/);
  await expect(inspector).toContainText('The pointer is at 100 %');
  await page.mouse.up();
  await expect.poll(shown).toMatch(/^-?0(\.00\d+)?px/);
  await field.focus();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(async () => Number.parseFloat(await shown())).toBeCloseTo(-2.4, 1);
  await page.keyboard.press('Escape');
  await expect.poll(async () => Math.abs(Number.parseFloat(await shown()))).toBeLessThan(0.1);

  // The real pointer, over the previewed page.
  const shownPage = present(await page.locator('.preview-page iframe').boundingBox());
  await page.mouse.move(shownPage.x + 2, shownPage.y + shownPage.height / 2, { steps: 4 });
  await expect.poll(async () => Number.parseFloat(await shown())).toBeLessThan(-22);

  await inspector.getByRole('button', { name: 'On a touch screen' }).click();
  await page
    .locator('.popover')
    .getByRole('button', { name: /it follows the finger/ })
    .click();
  await inspector.getByRole('button', { name: 'Area' }).click();
  await page
    .locator('.popover')
    .getByRole('button', { name: /Harbour light|section/ })
    .first()
    .click();
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(inspector.getByRole('button', { name: 'Area' })).toHaveText('the viewport');
  await saved(page);

  const finished = await handedOff(page, context, id);
  await finished.mouse.move(1279, 0, { steps: 4 });
  await expect.poll(() => translateOf(finished, '#card')).toBe('24px -24px');
  await finished.mouse.move(640, 400, { steps: 4 });
  await expect
    .poll(async () => Math.abs(Number.parseFloat(await translateOf(finished, '#card'))))
    .toBeLessThan(0.1);
  await finished.emulateMedia({ reducedMotion: 'reduce' });
  await finished.mouse.move(1279, 0, { steps: 4 });
  expect(await translateOf(finished, '#card')).toBe('none');
});

test('a click starts what a line started; keys click too, and the check says what keys cannot reach', async ({
  page,
  context,
  request,
}) => {
  const id = await openNew(page, request, `Events ${Date.now()}`, PAGE);
  await pick(page, '#card');
  await addMotion(page, 'Appear, timed');
  await saved(page);
  await page.locator('[data-trigger]').click();
  const inspector = page.locator('.inspector');
  await inspector.getByRole('button', { name: 'What starts it' }).click();
  await page
    .locator('.popover')
    .getByRole('button', { name: /it is clicked/ })
    .click();
  await expect(inspector).not.toContainText('Going down');
  await expect(page.locator('.findings').first()).toContainText('nothing there takes the focus');
  await page.keyboard.down('Alt');
  await page.keyboard.down('Shift');
  await pick(page, '#go');
  await page.keyboard.up('Shift');
  await page.keyboard.up('Alt');
  await inspector.getByRole('button', { name: 'Watched element' }).click();
  await page.locator('.popover').getByRole('button', { name: /^go/ }).click();
  await inspector.getByRole('button', { name: 'How often' }).click();
  await page
    .locator('.popover')
    .getByRole('button', { name: /each time/ })
    .click();
  await inspector.getByRole('button', { name: 'Going back' }).click();
  await page
    .locator('.popover')
    .getByRole('button', { name: /plays back/ })
    .click();
  await saved(page);
  // It stands where its button is, which no line of the scroll can be: at the top of the page.
  await expect(page.locator('[data-trigger][data-event=click]')).toBeInViewport();
  await expect(page.locator('.findings')).toHaveCount(0);
  // Played without a click, as timed parts are.
  const opacity = () =>
    preview(page)
      .locator('#card')
      .evaluate((e) => getComputedStyle(e).opacity);
  expect(await opacity()).toBe('0');
  await page.keyboard.press('r');
  await expect.poll(opacity).toBe('1');

  const finished = await handedOff(page, context, id);
  const card = () => finished.evaluate(() => getComputedStyle(document.querySelector('#card')!).opacity);
  expect(await card()).toBe('0');
  await finished.evaluate(() => scrollTo({ top: 1200, behavior: 'instant' }));
  await dwell(finished, 900);
  expect(await card()).toBe('0');
  await finished.evaluate(() => scrollTo({ top: 0, behavior: 'instant' }));
  await finished.locator('#go').click();
  await expect.poll(card).toBe('1');
  await finished.keyboard.press('Enter');
  await expect.poll(card).toBe('0');
});
