/** The walk of a new user: bring a page, put a rise on a card, tune it, take it away, and see it move in a plain browser. */
import { present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { unzipSync } from 'fflate';
import {
  base,
  addPage,
  cardZip,
  measured,
  newProject,
  openRundown,
  pick,
  preview,
  saved,
} from '../support/app.ts';
import { dwell } from '../support/time.ts';

test('a rise on a card, tuned to be done when the card is centred, leaves as CSS that does the same', async ({
  page,
  request,
  context,
}, info) => {
  const project = await newProject(request, 'Orchard');
  await page.goto(`${base}/projects/${project}`);
  await page
    .locator('[data-bring=file]')
    .setInputFiles({ name: 'orchard.zip', mimeType: 'application/zip', buffer: cardZip() });
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.locator('.strip-art .strip-a').first()).toBeAttached({ timeout: 30_000 });
  await measured(page);
  // Root-absolute and relative files have come along.
  await expect(preview(page).locator('#pear img')).toHaveJSProperty('complete', true);
  expect(
    await preview(page)
      .locator('.card')
      .first()
      .evaluate((e) => getComputedStyle(e).borderTopWidth),
  ).toBe('1px');

  // Pick the card in the page and add a rise by keyboard.
  await page.mouse.move(700, 300);
  await page.mouse.wheel(0, 700);
  await dwell(page, 300);
  await pick(page, '#pear');
  await expect(page.locator('.inspector-head')).toContainText('Pear');
  await page.keyboard.press('a');
  await page.keyboard.type('rise');
  await page.keyboard.press('Enter');
  await expect(page.locator('.inspector-name')).toHaveText('Pear rise');
  await saved(page);

  // The element's ghost at the end, dragged in the gutter until its middle meets the middle.
  await page.locator('.point-view').nth(1).click();
  await page.getByLabel('Line of the viewport in percent from its top').fill('60%');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  const end = page.locator('.gutter-point .gutter-area').nth(1);
  const box = present(await end.boundingBox());
  const frame = present(await page.locator('.preview-page').boundingBox());
  await page.mouse.move(box.x + 20, box.y + 7);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y - 10, { steps: 4 });
  await page.mouse.move(box.x + 20, frame.y + frame.height / 2 + 1, { steps: 8 });
  await page.mouse.up();
  await expect(page.locator('.sentence')).toContainText('its middle meets the middle of the viewport');
  await saved(page);

  await page.reload();
  await measured(page);
  await expect(page.locator('.bar')).toHaveCount(1);
  await page.locator('.bar-grip').click();
  await expect(page.locator('.sentence')).toContainText('its middle meets the middle of the viewport');

  // What the preview shows at some offsets …
  const offsets = [300, 420, 520, 610, 700, 900];
  const toFrame = present(page.frames().find((f) => f.url().includes('.localhost')));
  const shown = async (target: { evaluate: typeof page.evaluate }) => {
    const out: string[] = [];
    for (const y of offsets)
      out.push(
        (await target.evaluate(
          (at: number) =>
            new Promise((done) => {
              scrollTo({ top: at, behavior: 'instant' });
              requestAnimationFrame(() =>
                requestAnimationFrame(() =>
                  requestAnimationFrame(() =>
                    done(
                      `${scrollY} ${getComputedStyle(document.querySelector('#pear')!).opacity} ${getComputedStyle(document.querySelector('#pear')!).translate}`,
                    ),
                  ),
                ),
              );
            }),
          y,
        )) as string,
      );
    return out;
  };
  await expect
    .poll(() => toFrame.evaluate(() => document.querySelector('#pear')!.getAnimations().length))
    .toBe(1);
  const inLyvek = await shown(toFrame as never);

  // … is what the downloaded page shows in a browser without Lyvek.
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await expect(page.locator('.code').first()).toContainText('animation-range');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('orchard-prices.zip');
  const path = await download.path();
  const files = unzipSync(new Uint8Array(await import('node:fs').then((fs) => fs.readFileSync(path))));
  const dir = info.outputPath('plain');
  for (const [name, bytes] of Object.entries(files)) {
    mkdirSync(dirname(join(dir, name)), { recursive: true });
    writeFileSync(join(dir, name), Buffer.from(bytes).toString('utf8').replace('href="/css', 'href="css'));
  }
  const plain = await context.newPage();
  await plain.goto(`file://${dir}/index.html`);
  expect(await shown(plain as never)).toEqual(inLyvek);
  expect(new Set(inLyvek.map((l) => l.split(' ')[1])).size).toBeGreaterThan(3);
});

test('undo, redo, duplicate, mute, delete and rename from the keyboard', async ({ page, request }) => {
  const project = await newProject(request, 'Keys');
  await openRundown(page, await addPage(request, project, cardZip()));
  await pick(page, 'h1');
  await page.keyboard.press('a');
  await page.keyboard.press('Enter');
  await expect(page.locator('.bar')).toHaveCount(1);
  await page.keyboard.press('Control+d');
  await expect(page.locator('.bar')).toHaveCount(2);
  await expect(page.locator('.inspector-name')).toHaveText(/ 2$/);
  await page.keyboard.press('m');
  await expect(page.locator('.bar.muted')).toHaveCount(1);
  await page.keyboard.press('F2');
  await page.keyboard.type('Second title');
  await page.keyboard.press('Enter');
  await expect(page.locator('.inspector-name')).toHaveText('Second title');
  await page.locator('.lanes-ground').click({ position: { x: 300, y: 400 } });
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
  await expect(page.locator('.bar')).toHaveCount(1);
  await page.keyboard.press('Control+Shift+z');
  await expect(page.locator('.bar')).toHaveCount(2);
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await expect(page.locator('.bar')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.bar')).toHaveCount(2);
  await saved(page);
});

test('page and playhead go together in both directions, and one notch is one notch', async ({
  page,
  request,
}) => {
  const project = await newProject(request, 'Scroll');
  await openRundown(page, await addPage(request, project, cardZip()));
  const at = () => page.locator('.page-at b').innerText();
  await page.mouse.move(800, 250);
  await page.mouse.wheel(0, 100);
  await expect.poll(at).toBe('100 px');
  await page.keyboard.press('ArrowDown');
  await expect.poll(at).toBe('110 px');
  const y = () =>
    preview(page)
      .locator('body')
      .evaluate(() => scrollY);
  expect(await y()).toBe(110);
  await page.keyboard.press('End');
  await expect.poll(y).toBeGreaterThan(1500);
  await page.locator('.scrub-area').click({ position: { x: 20, y: 8 } });
  await expect.poll(y).toBeLessThan(40);
  // The lanes scroll and zoom by themselves and leave the page alone.
  await page.keyboard.press('+');
  await page.locator('.lanes-ground').hover({ position: { x: 300, y: 300 } });
  await page.mouse.wheel(0, 400);
  expect(await y()).toBeLessThan(40);
});

test('a finding is shown, and its fix removes it', async ({ page, request }) => {
  const project = await newProject(request, 'Findings');
  await openRundown(page, await addPage(request, project, cardZip()));
  await pick(page, 'footer');
  await page.keyboard.press('a');
  await page.keyboard.press('Enter');
  await page.locator('.point-view').nth(1).click();
  await page.getByLabel('Phase', { exact: true }).selectOption('cover');
  await page.getByLabel('Share of the phase').fill('100%');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(page.locator('.findings li').first()).toContainText('it never gets further than');
  await expect(page.locator('.bar .mark-error')).toBeVisible();
  await expect(page.locator('.bar .mark-error title')).toHaveText(/would end at/);
  await page.getByRole('button', { name: 'End it with the page' }).click();
  await expect(page.getByText('it never gets further than')).toHaveCount(0);
  await expect(page.locator('.sentence')).toContainText('the end of the page');
});
