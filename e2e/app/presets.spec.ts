/** Presets: kept from one element, put on another, changed in one place and followed in the other, and carried as a file. */
import { present } from '@lyvek/core';
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { base, addPage, newProject, openRundown, pick, saved, zipOf } from '../support/app.ts';
import { WORKSHOP } from '../effects/workshop.ts';

test.describe.configure({ mode: 'serial' });

let pageId = '';
const name = `Kept ${Date.now()}`;
test.beforeAll(async ({ request }) => {
  const project = await newProject(request, name);
  pageId = await addPage(request, project, zipOf({ 'index.html': WORKSHOP }));
});

const add = async (page: Page, effect: string, selector: string) => {
  await pick(page, selector);
  await page.keyboard.press('a');
  await page.getByRole('textbox', { name: 'Search starting points' }).fill(effect);
  await page.getByRole('option', { name: new RegExp(`^${effect} [A-Z]`) }).click();
  await saved(page);
};
const keep = async (page: Page, as: string) => {
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Save as preset' }).click();
  await page.getByLabel('Name of the preset').fill(as);
  await page.keyboard.press('Enter');
  await expect(page.getByText(`“${as}” is saved`)).toBeVisible();
};

test('kept, put elsewhere, changed there, followed here', async ({ page }) => {
  const response = await page.request.post(`/api/pages/${pageId}/takes`, {
    data: { document: { format: 'lyvek-document', version: 2, motions: [] } },
  });
  const { id } = (await response.json()) as { id: string };
  const motions = async () => (await (await page.request.get(`/api/takes/${id}`)).json()).document.motions;
  await openRundown(page, `${pageId}?take=${id}`);
  await add(page, 'Flip up', '#one');
  await keep(page, name);
  await add(page, name, '#two');
  await add(page, name, '#caption');
  await expect(page.locator('.sentence')).toContainText(`made from ${name}`);
  const three = await motions();
  expect(three.map((m: { targets: { selector: string } }) => m.targets.selector)).toEqual([
    '#one',
    '#two',
    '#caption',
  ]);
  expect(new Set(three.map((m: { preset: { id: string } }) => m.preset.id)).size).toBe(1);

  // The easing is changed on the caption, then for the preset: the card made from it follows, and the one that it was kept from.
  await page
    .getByRole('button', { name: /^Easing/ })
    .first()
    .click();
  await page.locator('.popover').getByRole('button', { name: 'soft landing' }).click();
  // It stays open, so that several can be tried.
  await page.keyboard.press('Escape');
  await expect(page.locator('.sentence')).toContainText(`${name}, changed here`);
  await page.getByRole('button', { name: 'Preset', exact: true }).click();
  await page.getByRole('button', { name: /Update the preset from this/ }).click();
  await expect(page.getByText('2 more on this page were updated.')).toBeVisible();
  await saved(page);
  const after = await motions();
  expect(after[0].easing).toBe(after[2].easing);
  expect(after[1].easing).toBe(after[2].easing);
  expect(after[1].easing).not.toBe('linear');

  // Undo covers the preset too.
  const kept = async () =>
    (await (await page.request.get('/api/presets')).json()).presets.find(
      (p: { name: string }) => p.name === name,
    );
  expect((await kept()).body.motions[0].easing).toBe(after[1].easing);
  await page.locator('.rundown').focus();
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await kept()).body.motions[0].easing).toBe('linear');
  await page.keyboard.press('Control+y');
  await expect.poll(async () => (await kept()).body.motions[0].easing).toBe(after[1].easing);

  // Detached it is a motion like any other.
  await page.getByRole('button', { name: 'Preset', exact: true }).click();
  await page.getByRole('button', { name: /Detach/ }).click();
  await saved(page);
  expect((await motions())[2].preset).toBeUndefined();
});

test('the screen: copy, file out and in, rename, delete and undo; a wrong file says what is wrong', async ({
  page,
}) => {
  await page.goto(`${base}/presets`);
  const row = (text: string) => page.locator('.preset-row', { hasText: text });
  await row(name).first().click();
  await expect(page.locator('.preset-detail')).toContainText('its parent');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.locator('.preset-detail').getByRole('button', { name: 'As a file' }).click(),
  ]);
  const text = readFileSync(present(await file.path()), 'utf8');
  expect(JSON.parse(text)).toMatchObject({ format: 'lyvek-presets', version: 2, presets: [{ name }] });

  const give = (body: string, called: string) =>
    page
      .locator('input[type=file]')
      .setInputFiles({ name: called, mimeType: 'application/json', buffer: Buffer.from(body) });
  await give(
    '{"format": "lyvek-presets", "version": 1, "presets": [{"name": "x", "body": {}}]}',
    'wrong.json',
  );
  await expect(page.getByText(/wrong\.json: It is not a file of presets: presets\[0\]\.body/)).toBeVisible();
  await give('[', 'broken.json');
  await expect(page.getByText(/broken\.json: It is not JSON/)).toBeVisible();
  await give(text.replaceAll(name, `${name} again`), 'again.json');
  await expect(row(`${name} again`)).toBeVisible();
  await row(`${name} again`).click();

  // Edited in place: what is no value is told and kept out, what is one counts, and can be undone.
  const value = page.getByLabel(/^rotate at 0% of/).first();
  const stored = async () =>
    (await (await page.request.get('/api/presets')).json()).presets.find(
      (p: { name: string }) => p.name === `${name} again`,
    ).body.motions[0].keyframes.rotate[0].value;
  const was = await value.inputValue();
  await value.fill('sideways');
  await value.press('Enter');
  await expect(page.locator('.preset-values [role=alert]')).toBeVisible();
  expect(await stored()).toBe(was);
  await value.fill('x 45deg');
  await value.press('Enter');
  await expect.poll(stored).toBe('x 45deg');
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect.poll(stored).toBe(was);
  await expect(value).toHaveValue(was);

  await page.getByRole('button', { name: 'Rename the preset' }).click();
  await page.getByLabel('Name of the preset').fill(`${name} renamed`);
  await page.keyboard.press('Enter');
  await expect(row(`${name} renamed`)).toBeVisible();
  await row(`${name} renamed`).click();
  await page.getByRole('button', { name: 'Make a copy' }).click();
  await expect(row(`${name} renamed copy`)).toBeVisible();
  await row(`${name} renamed copy`).click();
  await page.locator('.preset-detail').getByRole('button', { name: 'Delete' }).click();
  await expect(row(`${name} renamed copy`)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(row(`${name} renamed copy`)).toBeVisible();
});

test('two tabs cannot change one preset unseen, and bad bodies are refused with their path', async ({
  request,
}) => {
  const { presets } = await (await request.get(`${base}/api/presets`)).json();
  const one = presets.find((p: { name: string }) => p.name === name);
  const put = (revision: number, data: unknown) =>
    request.put(`${base}/api/presets/${one.id}`, { data, headers: { 'if-match': `"${revision}"` } });
  expect((await put(one.revision, one.body)).status()).toBe(200);
  expect((await put(one.revision, one.body)).status()).toBe(412);
  const wrong = {
    ...one.body,
    motions: [{ ...one.body.motions[0], driver: { kind: 'trigger', trigger: 'g_none' } }],
  };
  const answer = await put(one.revision + 1, wrong);
  expect(answer.status()).toBe(422);
  expect(JSON.stringify(await answer.json())).toContain('g_none');
});
