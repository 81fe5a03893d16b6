/** Numbered pictures that the scroll goes through: in an image, whose own picture stays where nothing plays, and in a canvas. */
import { expect, test } from '@playwright/test';
import type { Frame, Page } from '@playwright/test';
import { present } from '@lyvek/core';
import { strToU8, zipSync } from 'fflate';
import { addMotion, openNew, pick, saved } from '../support/app.ts';
import { getHandOff, serveFiles } from '../support/handed-off.ts';
import { elapse } from '../support/time.ts';

const COUNT = 41;
const PAGE = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Tide</title>
<style>body{margin:0}header,footer{height:1200px}img,canvas{display:block;width:480px;height:270px;object-fit:cover;margin:auto}</style></head>
<body><header><h1>Tide</h1></header>
<picture><source srcset="shots/tide-01.png" media="(min-width: 2px)"><img src="shots/tide-01.png" srcset="shots/tide-01.png 1x" alt="The tide comes in" loading="lazy"></picture>
<canvas id="film"></canvas><footer></footer></body></html>`;

/** Pictures from black to red, by name. */
async function drawPictures(page: Page): Promise<Record<string, Uint8Array>> {
  const base64 = await page.evaluate((count) => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [160, 90];
    const context = canvas.getContext('2d')!;
    return Array.from({ length: count }, (_, i) => {
      context.fillStyle = `rgb(${Math.round((i / (count - 1)) * 255)}, 0, 0)`;
      context.fillRect(0, 0, 160, 90);
      return canvas.toDataURL('image/png').split(',')[1]!;
    });
  }, COUNT);
  return Object.fromEntries(
    base64.map((text, i) => [
      `shots/tide-${String(i + 1).padStart(2, '0')}.png`,
      Buffer.from(text, 'base64'),
    ]),
  );
}

const goTo = (page: Page | Frame, y: number) =>
  page.evaluate((top) => scrollTo({ top, behavior: 'instant' }), y);
/** Number of the picture that the image shows. */
const readNumber = (page: Page | Frame) =>
  page.evaluate(() => Number(/(\d+)\.png$/.exec(document.querySelector('img')!.currentSrc)![1]));
/** How red the canvas is in its middle, 0 to 1. */
const readRed = (page: Page) =>
  page.evaluate(() => {
    const canvas = document.querySelector('canvas')!;
    const { data } = canvas.getContext('2d')!.getImageData(canvas.width / 2, canvas.height / 2, 1, 1);
    return data[0]! / 255;
  });

/** The image has entered at 400 px and left at 1,470; the canvas is 270 px later. */
async function goesThrough(page: Page | Frame, later: number, read: () => Promise<number>): Promise<void> {
  for (const share of [0, 0.25, 0.5, 1, 0.1]) {
    await goTo(page, 400 + later + share * 1070);
    await expect.poll(read).toBeCloseTo(share, 1);
  }
}

test('pictures go on and back with the scroll, in an image and in a canvas', async ({
  page,
  context,
  request,
}) => {
  await page.goto('about:blank');
  const pictures = await drawPictures(page);
  const zip = zipSync({ 'index.html': strToU8(PAGE), ...pictures });
  const id = await openNew(page, request, `Sequence ${Date.now()}`, Buffer.from(zip));
  await pick(page, 'img');
  await addMotion(page, 'Picture sequence');
  const sheet = page.locator('.inspector');
  await sheet.getByRole('button', { name: `Use all ${COUNT}` }).click();
  await expect(sheet).toContainText(`${COUNT} pictures, 160 × 90 px`);
  await page.keyboard.press('Escape');
  await pick(page, 'canvas');
  await addMotion(page, 'Picture sequence');
  const field = sheet.getByLabel('Addresses of the pictures');
  await field.fill('shots/wave-1.png');
  await field.press('Enter');
  await expect(
    sheet.getByRole('status').or(sheet.getByRole('alert')).filter({ hasText: 'cannot load' }),
  ).toBeVisible();
  await field.fill('shots/tide-01.png');
  await field.press('Enter');
  await sheet.getByRole('button', { name: `Use all ${COUNT}` }).click();
  await saved(page);

  const share = async (shown: Page | Frame) => ((await readNumber(shown)) - 1) / (COUNT - 1);
  const frame = present(page.frames().find((f) => f.parentFrame() === page.mainFrame()));
  await goesThrough(frame, 0, () => share(frame));

  const files = await getHandOff(request, id);
  expect(Object.keys(files)).toContain('motion-sequences.js');
  const site = await context.newPage();
  await site.setViewportSize({ width: 1280, height: 800 });
  await serveFiles(site, files);
  await site.goto('http://handed.off/');
  await goesThrough(site, 0, () => share(site));
  await goesThrough(site, 270, () => readRed(site));
  // As many pixels as the pictures have; laid out as the page has it.
  expect(
    await site.evaluate(() => {
      const { width, height, clientWidth, clientHeight } = document.querySelector('canvas')!;
      return [width, height, clientWidth, clientHeight];
    }),
  ).toEqual([160, 90, 480, 270]);

  // A picture that is missing is passed over.
  await site.route('**/tide-21.png', (route) => route.fulfill({ status: 404 }));
  await site.goto('http://handed.off/');
  await goTo(site, 935);
  await expect.poll(async () => Math.abs((await readNumber(site)) - 21)).toBe(1);

  // Readers who ask for reduced motion keep the page’s own picture.
  await site.emulateMedia({ reducedMotion: 'reduce' });
  await expect.poll(() => readNumber(site)).toBe(1);
  await goTo(site, 1200);
  await elapse(site, 400);
  expect(await readNumber(site)).toBe(1);
  // A canvas without any would be empty.
  expect(
    await site.evaluate(() => {
      const canvas = document.querySelector('canvas')!;
      return [...canvas.getContext('2d')!.getImageData(2, 2, 1, 1).data];
    }),
  ).toEqual([0, 0, 0, 255]);
});
