/** Everything by keyboard: elements are found by name, acts by the palette, and the focus comes back. */
import { expect, test } from '@playwright/test';
import { cardZip, openNew, pick, preview, saved } from '../support/app.ts';

test('an element is found by its name, a motion is added by the palette and tuned, without a pointer', async ({
  page,
  request,
}) => {
  await openNew(page, request, 'Keys', cardZip());
  await page.keyboard.press('/');
  await page.keyboard.type('quince', { delay: 20 });
  await expect(page.getByRole('option', { name: /Pears, plums and quinces/ })).toBeVisible();
  for (let i = 0; i < 'quince'.length; i++) await page.keyboard.press('Backspace');
  await page.keyboard.type('plum', { delay: 20 });
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Element Plum' })).toBeVisible();
  await expect(page.locator('.rundown')).toBeFocused();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('add rise', { delay: 20 });
  await page.keyboard.press('Enter');
  await expect(page.locator('.inspector-name')).toHaveText('Plum rise');
  await saved(page);
  // From the sheet's first word on: the driver is the fourth Tab at most from the workbench.
  await page.keyboard.press('Control+k');
  await page.keyboard.type('duplicate', { delay: 20 });
  await page.keyboard.press('Enter');
  await expect(page.locator('.inspector-name')).toHaveText('Plum rise 2');
  await page.keyboard.press('Escape');
  // Several things move it now: the element's own sheet lists them, and is chosen by name.
  await page.keyboard.press('/');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('#plum', { delay: 20 });
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.locator('.things li')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('select all', { delay: 20 });
  await page.keyboard.press('Enter');
  await expect(page.locator('.inspector-name-plain')).toHaveText('2 motions');
  const by = page.getByRole('textbox', { name: 'Move by (px)' });
  await by.focus();
  await page.keyboard.type('100');
  const starts = () => page.locator('.several li span').allInnerTexts();
  const before = await starts();
  await page.keyboard.press('Enter');
  await expect.poll(starts).not.toEqual(before);
  // Nothing is typed that does not count yet: undo is for the act.
  await page.keyboard.press('Control+z');
  await expect.poll(starts).toEqual(before);
  await saved(page);
});

test('the Tab key goes from what is chosen to its values: four at most', async ({ page, request }) => {
  await openNew(page, request, 'Tabs', cardZip());
  await page.keyboard.press('/');
  await page.keyboard.type('plum', { delay: 20 });
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: /^Add a motion/ })).toBeFocused();
  await page.keyboard.press('a');
  await page.keyboard.type('rise', { delay: 20 });
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(page.locator('.rundown')).toBeFocused();
  const start = page.locator('.sentence .point-view').first();
  const label = await start.getAttribute('aria-label');
  let tabs = 0;
  for (let at = null as string | null; at !== label && tabs <= 4; tabs++) {
    await page.keyboard.press('Tab');
    at = await page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? null);
  }
  expect(tabs).toBeLessThanOrEqual(4);
  // Its popover opens by Enter, and gives the focus back.
  await page.keyboard.press('Enter');
  await expect(page.locator('.popover')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(start).toBeFocused();
});

test('a shape of a drawing is chosen, turns about its own middle, and Alt click goes to what lies beneath', async ({
  page,
  request,
}) => {
  await openNew(
    page,
    request,
    'Shapes',
    '<!doctype html><title>Shapes</title><style>body{margin:0}#space{height:1800px}#card{position:relative;width:400px;height:400px}#veil{position:absolute;inset:0}</style><div id="space"></div><div id="card"><svg id="clock" width="400" height="400"><title>Clock</title><rect id="hand" x="180" y="60" width="40" height="160"/></svg><div id="veil"></div></div><div id="space2" style="height:1800px"></div>',
  );
  await page.keyboard.press('/');
  await page.keyboard.type('hand', { delay: 20 });
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Element hand' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('add turn in', { delay: 20 });
  await page.keyboard.press('Enter');
  await saved(page);
  const style = (property: string) =>
    preview(page)
      .locator('#hand')
      .evaluate((e, p) => getComputedStyle(e).getPropertyValue(p), property);
  await expect.poll(() => style('transform-box')).toBe('fill-box');
  // Its middle, as it is drawn.
  await expect.poll(() => style('transform-origin')).toBe('20px 80px');
  await page.keyboard.press('Escape');
  await pick(page, '#veil');
  await expect(page.getByRole('region', { name: 'Element veil' })).toBeVisible();
  await page.keyboard.down('Alt');
  await pick(page, '#veil');
  await page.keyboard.up('Alt');
  await expect(page.getByRole('region', { name: /Element Clock/ })).toBeVisible();
});
