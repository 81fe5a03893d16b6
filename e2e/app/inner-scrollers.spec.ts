/** What is scrolled inside of the page: its bars and keyframes are where they are drawn, whatever scale they have. */
import { present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import { addMotion, html, openNew, pick, preview, saved } from '../support/app.ts';
import { dwell } from '../support/time.ts';

const ROWS = Array.from({ length: 12 }, (_, i) => `<p class="row" id="row${i}">Lot ${i + 1}</p>`).join('');
const PAGE = html(
  `<header style="height:900px"><h1>Sales room</h1></header><div id="lots">${ROWS}</div><section style="height:1400px"><h2 id="terms">Terms</h2></section>`,
  'body{margin:0} #lots{height:400px;overflow:auto;margin:0 40px} .row{margin:0;padding:50px 0}',
);

test('in an inner scroller a keyframe lights at the ruler’s pointer, and Alt and a drag around it choose it', async ({
  page,
  request,
}) => {
  await openNew(page, request, 'Lots', PAGE);
  await pick(page, '#row6');
  await addMotion(page, 'Grow');
  await saved(page);
  for (let i = 0; i < 3; i++) await page.keyboard.press('+');
  await page.keyboard.press('Escape');
  // Of what is not selected only the keyframe between the ends is drawn.
  const keyframe = page.locator('.keyframe-area');
  await expect(keyframe).toHaveCount(1);
  const box = present(await keyframe.boundingBox());
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(116, y);
  await expect(page.locator('.keyframes.lit')).toHaveCount(1);
  await page.mouse.move(116, y - 40);
  await expect(page.locator('.keyframes.lit')).toHaveCount(0);
  const around = async (from: number, to: number) => {
    await page.keyboard.down('Alt');
    await page.mouse.move(x + 60, from);
    await page.mouse.down();
    await page.mouse.move(x - 10, to, { steps: 5 });
    await dwell(page, 80);
    await page.mouse.up();
    await page.keyboard.up('Alt');
  };
  await around(y - 8, y + 8);
  await expect(page.locator('.keyframes.chosen')).toHaveCount(1);
  await around(y + 30, y + 50);
  await expect(page.locator('.keyframes.chosen')).toHaveCount(0);
  // Without Alt it is the bar that is touched.
  await page.mouse.move(x + 60, y - 8);
  await page.mouse.down();
  await page.mouse.move(x - 10, y + 8, { steps: 5 });
  await page.mouse.up();
  await expect(page.locator('.inspector-head')).toContainText('row6 grow');
});

test('a trigger in an inner scroller hangs on that one’s axis and says so; the strip shows what is selected inside of it', async ({
  page,
  request,
}) => {
  await openNew(page, request, 'Lots, triggered', PAGE);
  await pick(page, '#row3');
  await addMotion(page, 'Rise');
  await saved(page);
  await pick(page, '#row6');
  await addMotion(page, 'Appear, timed');
  await saved(page);
  await page.locator('.flag-area').first().click();
  await expect(page.locator('.sentence').first()).toContainText(/px inside lots/);
  await expect(page.locator('.own-groove')).toHaveCount(2);
  const [strip, grooves] = [page.locator('.strip-chosen'), page.locator('.own-groove').first()];
  const place = present(await strip.boundingBox());
  const groove = present(await grooves.boundingBox());
  expect(place.y).toBeGreaterThan(groove.y);
  expect(place.y + place.height).toBeLessThan(groove.y + groove.height);
  // Row 6 of twelve: just past the middle. The motion on row 3 lies above.
  await page.locator('.bar-grip').first().click({ force: true });
  await expect.poll(async () => present(await strip.boundingBox()).y).toBeLessThan(place.y - 5);
});

test('a band that hides by a rule stronger than ours is found out, and clips once that is wished all the same', async ({
  page,
  request,
}) => {
  const band = html(
    `<header style="height:900px"><h1>Wind</h1></header><section class="band" style="overflow:hidden;padding:100px"><p id="line">We draw the wind first.</p></section><section style="height:1400px"></section>`,
  );
  await openNew(page, request, 'Stronger', band);
  await pick(page, '#line');
  await addMotion(page, 'Rise');
  await saved(page);
  await expect(page.locator('.findings-dock')).toContainText('a stronger rule of the page still hides it');
  const fix = page.getByRole('button', { name: 'Clip it all the same' });
  await fix.hover();
  await dwell(page, 300);
  await fix.click();
  await saved(page);
  const overflow = () =>
    preview(page)
      .locator('.band')
      .evaluate((e) => getComputedStyle(e).overflow);
  await expect.poll(overflow).toBe('clip');
  await expect(fix).toHaveCount(0);
  await expect(page.locator('.own-groove')).toHaveCount(0);
});
