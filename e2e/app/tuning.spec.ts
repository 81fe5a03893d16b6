/** Tuning a motion by hand: bars, ghosts, curves, several at once, other sizes. */
import { itemAt, lastItem, present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import type { APIRequestContext, Locator, Page } from '@playwright/test';
import { base, cardZip, openNew, pick, preview, saved } from '../support/app.ts';

async function drag(page: Page, what: Locator, dx: number, dy: number, keys: string[] = []): Promise<void> {
  const box = present(await what.boundingBox());
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  for (const k of keys) await page.keyboard.down(k);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 4 });
  await page.mouse.move(x + dx, y + dy, { steps: 6 });
  await page.mouse.up();
  for (const k of keys) await page.keyboard.up(k);
}

async function withMotions(page: Page, request: APIRequestContext, ...targets: string[]): Promise<string> {
  const id = await openNew(page, request, 'Tuning', cardZip());
  for (const t of targets) {
    await pick(page, t);
    await page.keyboard.press('a');
    await page.keyboard.press('Enter');
    await expect(page.locator('.inspector-name')).toBeVisible();
  }
  return id;
}

const takeOf = async (request: APIRequestContext, pageId: string) => {
  const { takes } = await (await request.get(`${base}/api/pages/${pageId}`)).json();
  return (await request.get(`${base}/api/takes/${takes[0].id}`)).json();
};
const px = async (page: Page) =>
  (await page.locator('.label .point').allTextContents()).map((t) =>
    Number(itemAt(t.split('·'), 1).replace(/\D/g, '')),
  );

test('an end snaps, follows the page, keeps px with Alt, goes back with Esc and with undo', async ({
  page,
  request,
}) => {
  await withMotions(page, request, '#pear');
  const end = page.locator('.handle-area').nth(1);
  const [start0, end0] = await px(page);
  await drag(page, end, 0, 40);
  const [start1, end1] = await px(page);
  expect(start1).toBe(start0);
  expect(present(end1)).toBeGreaterThan(present(end0) + 50);
  // The page has come along, and a meeting stays a meeting on a round line.
  const at = Number((await page.locator('.page-at b').innerText()).replace(/\D/g, ''));
  expect(Math.abs(at - present(end1))).toBeLessThanOrEqual(2);
  await expect(page.locator('.sentence')).toContainText(
    /its middle meets (\d*[05] % of|the \w+ of) the viewport/,
  );
  const box = present(await end.boundingBox());
  await page.mouse.move(box.x + 14, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 14, box.y + 60, { steps: 5 });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  expect(await px(page)).toEqual([start1, end1]);
  await drag(page, page.locator('.handle-area').nth(0), 0, -17, ['Alt']);
  await expect(page.locator('.sentence')).toContainText(/calc\(0% [+-] [\d.]+px\)/);
  await page.keyboard.press('Control+z');
  expect(await px(page)).toEqual([start1, end1]);
  await page.keyboard.press('Control+z');
  expect(await px(page)).toEqual([start0, end0]);
  await saved(page);
});

test('the ghost in the view progress diagram is the element where its motion ends', async ({
  page,
  request,
}) => {
  await withMotions(page, request, '#plum');
  const before = present((await page.locator('.diagram p').innerText()).match(/-?\d+/g)).map(Number);
  await drag(page, page.locator('.ghost.end rect'), 0, -20);
  const after = present((await page.locator('.diagram p').innerText()).match(/-?\d+/g)).map(Number);
  expect(after[0]).toBe(before[0]);
  // Up in the viewport: its top edge ends higher, and the motion lasts longer.
  expect(itemAt(after, 1)).toBeLessThan(itemAt(before, 1) - 30);
  expect(lastItem(after)).toBeGreaterThan(lastItem(before) + 30);
});

test('several move together by the same px, in one step', async ({ page, request }) => {
  const id = await withMotions(page, request, '#pear', '#plum');
  await page.locator('.bar-grip').first().click();
  await page
    .locator('.bar-grip')
    .nth(1)
    .click({ modifiers: ['Shift'] });
  await expect(page.locator('.inspector-name-plain')).toHaveText('2 motions');
  const summary = async () => (await page.locator('.summary').first().innerText()).replaceAll(',', '');
  const before = present((await summary()).match(/\d+/g)).map(Number);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  const after = present((await summary()).match(/\d+/g)).map(Number);
  expect(Math.abs(itemAt(after, 0) - itemAt(before, 0) - 16)).toBeLessThanOrEqual(2);
  expect(Math.abs(itemAt(after, 1) - itemAt(before, 1) - 16)).toBeLessThanOrEqual(2);
  await page.keyboard.press('Control+z');
  expect(present((await summary()).match(/\d+/g)).map(Number)).toEqual(before);
  // A lasso over the lanes takes what it touches.
  await page.keyboard.press('Escape');
  const lanes = present(await page.locator('.lanes-ground').boundingBox());
  await page.mouse.move(lanes.x + 4, lanes.y + 4);
  await page.mouse.down();
  await page.mouse.move(lanes.x + lanes.width - 4, lanes.y + lanes.height - 60, { steps: 5 });
  await page.mouse.up();
  await expect(page.locator('.bar.selected')).toHaveCount(2);
  await page.keyboard.press('Delete');
  await saved(page);
  expect((await takeOf(request, id)).document.motions).toEqual([]);
});

test('keyframes: add by double click, drag, type, delete', async ({ page, request }) => {
  const id = await withMotions(page, request, '#pear');
  const row = page.getByRole('region', { name: 'opacity' });
  await expect(row.locator('.keyframe')).toHaveCount(2);
  await row
    .locator('svg')
    .first()
    .dblclick({ position: { x: 100, y: 23 } });
  await expect(row.locator('.keyframe')).toHaveCount(3);
  await row.locator('.keyframe').nth(1).click();
  await row.getByLabel('Value of the keyframe').fill('0.9');
  await page.keyboard.press('Enter');
  await drag(page, row.locator('.keyframe').nth(1), -40, 0);
  await saved(page);
  let stops = (await takeOf(request, id)).document.motions[0].keyframes.opacity;
  expect(stops[1].value).toBe('0.9');
  expect(Number.parseFloat(stops[1].at)).toBeLessThan(40);
  // The page shows it: computed by the browser from the same stops.
  const shownIn = () =>
    preview(page)
      .locator('#pear')
      .evaluate((e) => (e.getAnimations()[0]!.effect as KeyframeEffect).getKeyframes().length);
  await expect.poll(shownIn).toBe(3);
  await row.locator('.keyframe').first().focus();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Delete');
  await expect(row.locator('.keyframe')).toHaveCount(2);
  // A wrong value is refused and changes nothing.
  await row.locator('.keyframe').first().click();
  await row.getByLabel('Value of the keyframe').fill('half');
  await expect(row.getByLabel('Value of the keyframe')).toHaveAttribute('aria-invalid', 'true');
  await page.keyboard.press('Enter');
  await saved(page);
  stops = (await takeOf(request, id)).document.motions[0].keyframes.opacity;
  expect(stops.map((s: { value: string }) => s.value)).toEqual(['0', '1']);
});

test('drivers: the whole page, its own view progress, and another element chosen beside the selection', async ({
  page,
  request,
}) => {
  const id = await withMotions(page, request, '#pear');
  const driver = page.locator('.sentence .word').first();
  await driver.click();
  await page.getByRole('button', { name: 'the scroll of the whole page' }).click();
  await expect(page.locator('.bar-scroll')).toHaveCount(1);
  await expect(page.locator('.sentence')).toContainText('from the top of the page');
  await page.locator('.notice').getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.bar-view')).toHaveCount(1);
  await page.keyboard.down('Alt');
  await page.keyboard.down('Shift');
  await pick(page, '#plum');
  await page.keyboard.up('Shift');
  await page.keyboard.up('Alt');
  await expect(page.locator('.inspector-name')).toHaveText('Pear rise');
  await driver.click();
  await page.getByRole('button', { name: /the view progress of Plum/ }).click();
  await expect(page.locator('.sentence')).toContainText('the view progress of Plum');
  await saved(page);
  expect((await takeOf(request, id)).document.motions[0].driver.subject).toBe('#plum');
  const timeline = () =>
    preview(page)
      .locator('#pear')
      .evaluate((e) => (e.getAnimations()[0]!.timeline as unknown as { subject: Element }).subject.id);
  await expect.poll(timeline).toBe('plum');
});

test('another size is measured by itself and remembered; reduced motion can be seen', async ({
  page,
  request,
}) => {
  await withMotions(page, request, '#pear');
  await page.getByRole('button', { name: /^Viewport/ }).click();
  await page.getByRole('button', { name: /390 × 844/ }).click();
  await expect
    .poll(() =>
      preview(page)
        .locator('body')
        .evaluate(() => innerWidth),
    )
    .toBe(390);
  await expect(page.locator('.bar')).toHaveCount(1);
  await page.reload();
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible({ timeout: 30_000 });
  await expect
    .poll(() =>
      preview(page)
        .locator('body')
        .evaluate(() => innerWidth),
    )
    .toBe(390);
  const properties = () =>
    preview(page)
      .locator('#pear')
      .evaluate((e) =>
        e
          .getAnimations()
          .flatMap((a) =>
            (a.effect as KeyframeEffect)
              .getKeyframes()
              .flatMap((k) => Object.keys(k).filter((n) => n === 'translate' || n === 'opacity')),
          ),
      );
  await expect.poll(async () => new Set(await properties())).toEqual(new Set(['opacity', 'translate']));
  await page.getByLabel('Reduced motion').check();
  await expect.poll(async () => new Set(await properties())).toEqual(new Set(['opacity']));
  await page.getByRole('button', { name: /^Viewport/ }).click();
  await page.getByLabel('Width in px').fill('90');
  await expect(page.getByText('Between 200 and 8000 px each.')).toBeVisible();
});

test('takes: a copy, its own edits, a name, and gone and back', async ({ page, request }) => {
  await withMotions(page, request, '#pear');
  await saved(page);
  await page.getByRole('button', { name: 'Take: Take A' }).click();
  await page.getByRole('button', { name: 'New take from this one' }).click();
  await expect(page.getByRole('button', { name: 'Take: Take B' })).toBeVisible();
  await expect(page.locator('.bar')).toHaveCount(1);
  await page.locator('.bar-grip').click();
  await page.keyboard.press('Delete');
  await saved(page);
  await page.getByRole('button', { name: 'Take: Take B' }).click();
  await page.getByRole('button', { name: 'Take A' }).click();
  await expect(page.locator('.bar')).toHaveCount(1);
  await page.getByRole('button', { name: 'Take: Take A' }).click();
  await page.getByRole('button', { name: 'Delete Take A' }).click();
  await expect(page.getByRole('button', { name: 'Take: Take B' })).toBeVisible();
  await page
    .locator('.notice', { hasText: 'Take A was deleted' })
    .getByRole('button', { name: 'Undo' })
    .click();
  await page.getByRole('button', { name: 'Take: Take B' }).click();
  await expect(page.getByRole('button', { name: 'Take A', exact: true })).toBeVisible();
});
