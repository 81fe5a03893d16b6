/** Bringing pages: what works, and a clear message for each thing that does not. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { zipSync } from 'fflate';
import {
  addNew,
  base,
  cardZip,
  html,
  measured,
  newProject,
  openNew,
  openRundown,
  preview,
  saved,
  zipOf,
} from '../support/app.ts';
import { FULL } from '../support/full.ts';
import { latency } from '../support/time.ts';

async function refusal(request: APIRequestContext, body: Buffer | string, type = 'application/zip') {
  const project = await newProject(request, 'Refusals');
  const response = await request.post(`${base}/api/projects/${project}/pages`, {
    data: body,
    headers: { 'content-type': type },
  });
  expect(response.headers()['content-type']).toContain('application/problem+json');
  const problem = (await response.json()) as {
    status: number;
    title: string;
    detail: string;
    choices?: string[];
  };
  expect(problem.status).toBe(response.status());
  return problem;
}

test('a truncated zip', async ({ request }) => {
  const zip = cardZip();
  expect((await refusal(request, zip.subarray(0, zip.length - 40))).detail).toContain('cut off');
  expect((await refusal(request, zip.subarray(0, 300))).detail).toContain('Pack it again');
});

test('a zip whose paths lead out of its folder', async ({ request }) => {
  expect(
    (await refusal(request, zipOf({ 'index.html': html('x'), '../../etc/x.html': 'x' }))).detail,
  ).toContain('leads out of the page');
  expect((await refusal(request, zipOf({ '/abs/index.html': html('x') }))).title).toBe(
    'Path outside the page',
  );
  expect((await refusal(request, zipOf({ [`${'a'.repeat(230)}.html`]: 'x' }))).detail).toContain(
    '200 characters',
  );
});

test('a bomb', async ({ request }) => {
  const bomb = Buffer.from(
    zipSync({
      'index.html': [new TextEncoder().encode(html('x')), {}],
      'zeros.bin': [new Uint8Array(60e6), { level: 9 }],
    }),
  );
  expect(bomb.length).toBeLessThan(200_000);
  const problem = await refusal(request, bomb);
  expect([problem.status, problem.title]).toEqual([413, 'Unpacks too large']);
  expect(problem.detail).toContain('100 times');
});

test('too many files', async ({ request }) => {
  const many = zipOf(Object.fromEntries(Array.from({ length: 2001 }, (_, i) => [`f${i}.txt`, 'x'])));
  expect((await refusal(request, many)).detail).toContain('2000');
});

test('an HTML file of 50 MB', FULL, async ({ request, page }) => {
  const large = `<!doctype html><p>${'x'.repeat(50e6)}`;
  const problem = await refusal(request, large, 'text/html');
  expect([problem.status, problem.detail]).toEqual([413, expect.stringContaining('20 MB')]);
  // And as people meet it.
  const project = await newProject(request, 'Large');
  await page.goto(`${base}/projects/${project}`);
  await page
    .locator('[data-bring=file]')
    .setInputFiles({ name: 'large.html', mimeType: 'text/html', buffer: Buffer.from(large.slice(0, 21e6)) });
  await expect(page.locator('.notice.wrong')).toContainText('20 MB');
});

test('nothing, no HTML, no page in it', async ({ request }) => {
  expect((await refusal(request, '', 'text/html')).title).toBe('Nothing in it');
  expect((await refusal(request, 'just words', 'text/html')).title).toBe('No HTML');
  expect((await refusal(request, zipOf({ 'style.css': 'a{}' }))).title).toBe('No page in it');
});

test('several HTML files: the interface asks which one is the page', async ({ request, page }) => {
  const zip = zipOf({ 'a.html': html('<h1>A</h1>'), 'b.html': html('<h1>B</h1>') });
  expect((await refusal(request, zip)).choices).toEqual(['a.html', 'b.html']);
  const project = await newProject(request, 'Which');
  await page.goto(`${base}/projects/${project}`);
  await page
    .locator('[data-bring=file]')
    .setInputFiles({ name: 'two.zip', mimeType: 'application/zip', buffer: zip });
  await page.getByRole('button', { name: 'b.html' }).click();
  await expect(page.locator('.notice')).toContainText('is on the shelf');
});

test('a folder with files beside the page', async ({ request, page }, info) => {
  const dir = info.outputPath('orchard');
  mkdirSync(join(dir, 'css'), { recursive: true });
  writeFileSync(
    join(dir, 'index.html'),
    '<title>From a folder</title><link rel="stylesheet" href="css/a.css"><h1>Here</h1>',
  );
  writeFileSync(join(dir, 'css', 'a.css'), 'h1 { height: 3000px; color: rgb(1, 2, 3) }');
  const project = await newProject(request, 'Folder');
  await page.goto(`${base}/projects/${project}`);
  await page.locator('[data-bring=folder]').setInputFiles(dir);
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.locator('.strip-art .strip-a').first()).toBeAttached({ timeout: 30_000 });
  // The strip may be there before the page has its style sheet.
  await expect(preview(page).locator('h1')).toHaveCSS('color', 'rgb(1, 2, 3)');
});

test('a file dropped anywhere on the shelf', async ({ request, page }) => {
  const project = await newProject(request, 'Dropped');
  await page.goto(`${base}/projects/${project}`);
  await expect(page.getByRole('heading', { name: 'Add your first page' })).toBeVisible();
  const data = await page.evaluateHandle(() => {
    const transfer = new DataTransfer();
    transfer.items.add(
      new File(['<title>Dropped page</title><p style="height:2000px">x'], 'dropped.html', {
        type: 'text/html',
      }),
    );
    return transfer;
  });
  await page.dispatchEvent('.shelf', 'drop', { dataTransfer: data });
  await expect(page.getByRole('article', { name: 'Dropped page' })).toBeVisible();
});

test('pasted HTML, renamed, deleted and brought back', async ({ request, page }) => {
  const project = await newProject(request, 'Pasted');
  await page.goto(`${base}/projects/${project}`);
  await expect(page.getByRole('heading', { name: 'Add your first page' })).toBeVisible();
  await page.getByRole('button', { name: 'Paste HTML' }).click();
  await page
    .getByLabel('HTML of the page')
    .fill('<title>Ferry times</title><h1>Ferry times</h1><div style="height:3000px">x</div>');
  await page.getByRole('button', { name: 'Add it' }).click();
  const card = page.getByRole('article', { name: 'Ferry times' });
  await expect(card).toContainText('px');
  await page.getByRole('button', { name: 'More for Ferry times' }).click();
  await page.getByRole('button', { name: 'Rename …' }).click();
  await page.getByLabel('Name of the page').fill('Ferries');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('article', { name: 'Ferries' })).toBeVisible();
  await page.getByRole('button', { name: 'More for Ferries' }).click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('article', { name: 'Ferries' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('article', { name: 'Ferries' })).toBeVisible();
});

test.describe('awkward pages say plainly what is wrong', () => {
  test('a page without scroll', async ({ page, request }) => {
    await openNew(page, request, 'Short', html('<h1>Short</h1>'));
    await expect(page.locator('.page-note')).toContainText('nothing to scroll');
    await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeDisabled();
  });

  test('broken HTML and missing files', async ({ page, request }) => {
    const broken =
      '<title>Broken</title><link rel=stylesheet href=gone.css><div><p>open <b>never <table><td>closed<section id=s style="height:3000px"><h2>Here</h2><img src="none.png">';
    await openNew(page, request, 'Broken', broken);
    await expect(preview(page).locator('h2')).toHaveText('Here');
  });

  test('a page that never finishes loading is measured all the same', async ({ page, request }) => {
    const endless = html('<h1>Endless</h1><div style="height:3000px">x</div><img src="slow.png">');
    const id = await addNew(request, 'Endless', endless);
    await page.route('**/slow.png', () => undefined);
    await openRundown(page, id);
    await expect(page.locator('.preview-late')).toContainText('load event never fired');
  });

  test('a style sheet that comes late is waited for: starting points never see the page without it', async ({
    page,
    request,
  }) => {
    const id = await addNew(request, 'Late sheet', cardZip());
    await page.route('**/style.css', async (route) => {
      await latency(4500);
      await route.continue();
    });
    await openRundown(page, id);
    const { top } = await preview(page)
      .locator('#pear')
      .evaluate((e) => ({ top: e.getBoundingClientRect().top }));
    expect(top).toBeGreaterThan(900);
    await page.unrouteAll({ behavior: 'ignoreErrors' });
  });

  test('a page that grows is measured again', async ({ page, request }) => {
    const grows = html(
      '<h1>Grows</h1><div style="height:2000px">x</div><script>setTimeout(() => document.body.insertAdjacentHTML("beforeend", "<section style=height:1500px><h2>Late</h2></section>"), 3500)</script>',
      'h1,h2{margin:0;height:40px}',
    );
    await openNew(page, request, 'Grows', grows);
    await expect(page.locator('.head-strip')).toHaveText('2,040 px');
    await expect(page.locator('.head-strip')).toHaveText('3,540 px');
  });

  test('a page of 60,000 px', async ({ page, request }) => {
    const long = html(
      Array.from(
        { length: 400 },
        (_, i) => `<section style="height:150px"><h2>Day ${i + 1}</h2><p>High water.</p></section>`,
      ).join(''),
      'h2,p{margin:0}',
    );
    await openNew(page, request, 'Long', long);
    await expect(page.locator('.head-strip')).toHaveText('60,000 px');
    await page.keyboard.press('End');
    await expect(page.locator('.page-at b')).toHaveText('59,200 px');
  });
});

test('a page from sections is made, opened at once, and every part of it can be moved', async ({
  page,
  request,
}) => {
  const project = await newProject(request, 'Sections');
  await page.goto(`${base}/projects/${project}`);
  await page.getByRole('button', { name: 'Start from sections' }).click();
  await page.getByRole('checkbox', { name: 'Strip' }).uncheck();
  await page.getByRole('button', { name: 'Make the page' }).click();
  await expect(page).toHaveURL(/\/pages\//);
  await measured(page);
  await expect(preview(page).getByRole('heading', { name: 'Three of a kind' })).toBeAttached();
  await expect(preview(page).locator('.strip')).toHaveCount(0);
  await page.keyboard.press('/');
  await page.keyboard.type('stage', { delay: 20 });
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('add pin section', { delay: 20 });
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(page.locator('.pin-mark')).toHaveCount(1);
});
