/** Ways, shapes and stops: composed, pulled in the page, and the same in the finished page. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { present } from '@lyvek/core';
import { addMotion, html, openNew, pick, saved } from '../support/app.ts';
import { getHandOff, serveFiles } from '../support/handed-off.ts';
import { elapse } from '../support/time.ts';

const PAGE = html(
  `<header><h1>Harbour</h1></header>
<div class="boat" id="boat"></div><div class="plate" id="plate"></div><p id="said">A marker runs along</p>
<svg id="sketch" viewBox="0 0 200 100" width="400" height="200" fill="none" stroke="#345"><path d="M10 90 L60 10"/><path d="M60 10 L120 90"/><path d="M120 90 L190 20"/></svg>
<footer></footer>`,
  'header,footer{height:1200px}.boat{width:120px;height:60px;margin:0 0 60px 500px;background:#345}.plate{width:300px;height:200px;margin:0 0 60px 400px;background:linear-gradient(90deg,#a53,#53a)}p{margin:0 0 60px 400px;font-size:30px;width:400px}svg{margin-left:400px}',
);

const goTo = async (page: Page, y: number) => {
  await page.evaluate((top) => scrollTo({ top, behavior: 'instant' }), y);
  await elapse(page, 250);
};
const boxOf = (page: Page, selector: string) =>
  page.evaluate((s) => {
    const { x, y, width, height } = document.querySelector(s)!.getBoundingClientRect();
    return { x: x + width / 2, y: y + scrollY + height / 2 };
  }, selector);

test('a way and a shape are pulled by their points, with the mouse and by keys', async ({
  page,
  context,
  request,
}) => {
  const id = await openNew(page, request, `Shapes ${Date.now()}`, PAGE);
  await pick(page, '#plate');
  await addMotion(page, 'Morph');
  await saved(page);
  await expect(page.locator('[data-grip^="point-"]')).toHaveCount(8);
  await page.keyboard.press('Escape');
  await pick(page, '#boat');
  await addMotion(page, 'Along a path');
  await saved(page);
  const points = page.locator('[data-grip^="point-"]');
  await expect(points).toHaveCount(4);
  const second = points.nth(1);
  const before = present(await second.boundingBox());
  const label = present(await second.getAttribute('aria-label'));
  await page.mouse.move(before.x + 4, before.y + 4);
  await elapse(page, 120);
  await page.mouse.down();
  await page.mouse.move(before.x + 24, before.y - 16, { steps: 6 });
  await page.mouse.up();
  await saved(page);
  await expect(second).not.toHaveAttribute('aria-label', label);
  // One px each, ten with Shift; all of it one step to undo after the drag.
  const [x = 0, y = 0] = present(await second.getAttribute('aria-label'))
    .match(/-?\d+(?= (?:and|px))/g)!
    .map(Number);
  await second.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(second).toHaveAttribute('aria-label', new RegExp(`, ${x + 1} and ${y - 10} px$`));
  await saved(page);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(second).toHaveAttribute('aria-label', label);
  await page.keyboard.press('Control+Shift+z');
  await page.keyboard.press('Control+Shift+z');
  await saved(page);

  await page.keyboard.press('Escape');
  await pick(page, '#said');
  await addMotion(page, 'Highlight');
  await page.keyboard.press('Escape');
  await pick(page, '#sketch');
  await addMotion(page, 'Draw in turn');
  await saved(page);

  const site = await context.newPage();
  await site.setViewportSize({ width: 1280, height: 800 });
  await serveFiles(site, await getHandOff(request, id));
  await site.emulateMedia({ reducedMotion: 'reduce' });
  await site.goto('http://handed.off/');
  const home = await boxOf(site, '#boat');
  expect(home.x).toBeCloseTo(560, 0);
  expect(await site.evaluate(() => getComputedStyle(document.querySelector('#plate')!).clipPath)).toBe(
    'none',
  );
  await site.emulateMedia({ reducedMotion: 'no-preference' });
  await goTo(site, 500);
  const away = await boxOf(site, '#boat');
  expect(Math.hypot(away.x - home.x, away.y - home.y)).toBeGreaterThan(60);
  await goTo(site, 1100);
  const there = await boxOf(site, '#boat');
  expect(Math.hypot(there.x - home.x, there.y - home.y)).toBeLessThan(0.6);
  expect(await site.evaluate(() => getComputedStyle(document.querySelector('#plate')!).clipPath)).toContain(
    '0% 0%',
  );
  // Its lines come one after another.
  await goTo(site, 1010);
  const rests = await site.evaluate(() =>
    [...document.querySelectorAll('#sketch path')].map((e) =>
      parseFloat(getComputedStyle(e).strokeDashoffset),
    ),
  );
  expect(rests[0]).toBeLessThan(present(rests[2]));
});

test('a way is taken from a drawing of the page, whatever that is scaled by', async ({
  page,
  context,
  request,
}) => {
  const id = await openNew(page, request, `Drawn ${Date.now()}`, PAGE);
  await pick(page, '#boat');
  await addMotion(page, 'Along a path');
  await saved(page);
  await page.getByRole('button', { name: 'Take the path of a drawing' }).click();
  const lines = page.getByRole('group', { name: 'Lines of the page’s drawings' }).getByRole('button');
  await expect(lines).toHaveCount(3);
  await lines.nth(1).hover();
  await elapse(page, 150);
  await lines.nth(1).click();
  await saved(page);
  await expect(page.locator('[data-grip^="point-"]')).toHaveCount(2);

  const site = await context.newPage();
  await site.setViewportSize({ width: 1280, height: 800 });
  await serveFiles(site, await getHandOff(request, id));
  await site.goto('http://handed.off/');
  const sketch = await site.evaluate(() => {
    const { x, y } = document.querySelector('#sketch')!.getBoundingClientRect();
    return { x, y: y + scrollY };
  });
  // The second line, M60 10 L120 90, in a drawing that is shown twice as large.
  await goTo(site, 0);
  const start = await boxOf(site, '#boat');
  expect(Math.hypot(start.x - sketch.x - 120, start.y - sketch.y - 20)).toBeLessThan(1);
  await goTo(site, 1100);
  const end = await boxOf(site, '#boat');
  expect(Math.hypot(end.x - sketch.x - 240, end.y - sketch.y - 180)).toBeLessThan(1);
});
