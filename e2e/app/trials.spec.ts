/** Trials as people use them: another way of scrolling, their own scrolling, limits of the project, and places shown everywhere. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { TraceSchema, itemAt, lastItem, present } from '@lyvek/core';
import type { TrialResult } from '@lyvek/core';
import { addNew, addPage, base, html, newProject, openRundown, zipOf } from '../support/app.ts';
import { FULL } from '../support/full.ts';
import { dwell } from '../support/time.ts';

const dir = new URL('../../demo/hessle/', import.meta.url);
const file = (name: string) => readFileSync(new URL(name, dir), 'utf8');

async function hessle(page: Page): Promise<string> {
  const { request } = page.context();
  const project = await newProject(request, `Trials ${Date.now()}`);
  const id = await addPage(
    request,
    project,
    zipOf({ 'index.html': file('index.html'), 'styles.css': file('styles.css') }),
  );
  const made = await request.post(`${base}/api/pages/${id}/takes`, {
    data: { document: JSON.parse(file('lyvek.document.json')) as object },
  });
  return `/pages/${id}/trials?take=${((await made.json()) as { id: string }).id}`;
}
const fresh = (page: Page) =>
  expect(page.locator('.trial-findings')).toHaveAttribute('data-state', 'fresh', { timeout: 30_000 });
const finding = (page: Page, key: string) => page.locator(`.trial-findings li[data-key^="${key}"]`);

test(
  'another gesture and another screen change the figures; a limit of the project counts at once and stays',
  FULL,
  async ({ page }) => {
    await page.goto(base + (await hessle(page)));
    await fresh(page);
    const summary = page.locator('.trial-summary');
    const frames = async () => Number((await summary.locator('b').first().innerText()).replace(',', ''));
    const before = await frames();
    await page.getByRole('button', { name: /^Frames: / }).click();
    await page.getByRole('button', { name: /^120 Hz/ }).click();
    await expect.poll(frames).toBeGreaterThan(1.8 * before);
    await page.getByRole('button', { name: 'Steady' }).click();
    await expect.poll(frames).not.toBe(before);

    await page.getByRole('button', { name: 'Brisk wheel' }).click();
    await page.getByRole('button', { name: /^Frames: / }).click();
    await page.getByRole('button', { name: /^60 Hz/ }).click();
    await expect(finding(page, 'step-too-large')).toHaveCount(1);
    await page.getByRole('button', { name: 'Limits' }).click();
    const field = page.getByLabel('Step from one frame to the next, at most');
    await field.fill('nonsense');
    await expect(field).toHaveAttribute('aria-invalid', 'true');
    await field.press('Enter');
    await expect(field).toHaveValue('48');
    await field.fill('400');
    await field.press('Enter');
    await expect(finding(page, 'step-too-large')).toHaveCount(0);
    await page.reload();
    await fresh(page);
    await expect(finding(page, 'step-too-large')).toHaveCount(0);
    await page.getByRole('button', { name: 'Limits' }).click();
    await page.getByRole('button', { name: 'Lyvek default' }).click();
    await expect(finding(page, 'step-too-large')).toHaveCount(1);
  },
);

test('my own scrolling is recorded, chosen, kept for the project and saved as a file', async ({ page }) => {
  const address = await hessle(page);
  await openRundown(page, itemAt(present(/pages\/([^/]+)/.exec(address)), 1));
  await page.goto(base + address.replace('/trials', ''));
  await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready');
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await page.mouse.move(900, 250);
  for (let i = 0; i < 40; i++) {
    await page.mouse.wheel(0, 60);
    await dwell(page, 20);
  }
  await page.getByRole('button', { name: 'End recording' }).click();
  await expect(page.getByText(/Scrolling 1: \d/)).toBeVisible();
  await page.getByRole('link', { name: 'Trials', exact: true }).click();
  await fresh(page);
  await expect(page.getByRole('button', { name: /^Scrolling 1/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Recorded scrolling' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'JSON' }).click();
  const trace = TraceSchema.parse(JSON.parse(readFileSync(await (await download).path(), 'utf8')));
  expect(trace.samples.length).toBeGreaterThan(20);
  expect(lastItem(trace.samples).y).toBeGreaterThan(1500);
  await page.getByRole('button', { name: 'Delete Scrolling 1' }).click();
  await expect(page.getByRole('button', { name: /^Brisk wheel/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Scrolling 1/ })).toBeVisible();
});

test('what is pointed at shows its place along the page, a click brings the page there, and Show opens it in the Rundown', async ({
  page,
}) => {
  await page.goto(base + (await hessle(page)));
  await fresh(page);
  const row = finding(page, 'large-blur');
  await row.hover();
  const pointer = page.locator('.costs-chart .pointer text');
  await expect(pointer).toBeVisible();
  const at = Number(
    itemAt(
      present(/^([\d,]+) px/.exec(await pointer.innerText().catch(() => pointer.textContent().then(String)))),
      1,
    ).replace(',', ''),
  );
  await row.getByRole('button', { name: 'Show' }).click();
  await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready');
  await expect(page.locator('.page-at b')).toHaveText(`${at.toLocaleString('en')} px`);
  await expect(page.locator('.sentence')).toBeVisible();
  await expect(page.locator('.findings')).toContainText('A blur of 22 px');
});

test('a finding is accepted with a reason, stays so, is taken back and undone, and other fixes leave it so', async ({
  page,
}) => {
  await page.goto(base + (await hessle(page)));
  await fresh(page);
  const row = finding(page, 'eased-scrub');
  const accept = async () => {
    await row.getByRole('button', { name: 'Accept' }).click();
    await expect(page.getByRole('button', { name: 'Accept it' })).toBeDisabled();
    await page.getByLabel('Why this is acceptable').fill('The foot hesitates too');
    await page.keyboard.press('Enter');
    await expect(row).toHaveCount(0);
  };
  await accept();
  await page.reload();
  await fresh(page);
  await expect(row).toHaveCount(0);
  await page.getByText('1 accepted').click();
  await expect(page.getByText('“The foot hesitates too”')).toBeVisible();
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await expect(row).toHaveCount(1);
  await page.locator('body').press('Control+z');
  await expect(row).toHaveCount(0);
  await fresh(page);
  // Another motion is mended; this one stays accepted.
  await finding(page, 'reversal').getByRole('button', { name: 'Fix' }).click();
  await expect(finding(page, 'reversal')).toHaveCount(0);
  await expect(row).toHaveCount(0);
});

const BUSY = html(
  '<main><div id="box"></div><div id="late"></div><p>What is read just then.</p></main>',
  'main{height:5000px;padding-top:1px;overflow-anchor:none}#box{height:200px;width:200px;margin:300px;background:#9a5}#late{height:1700px}p{font-size:40px}',
).replace(
  '</body>',
  `<script>let once = 0; const late = document.querySelector('#late');
  addEventListener('scroll', () => { if (scrollY < 1800) { once = 0; late.style.height = ''; } if (scrollY < 2000 || once) return; once = 1;
    const t = performance.now(); while (performance.now() - t < 140); late.style.height = '1900px'; });</script></body>`,
);

test(
  'measuring here: the page runs full size, a busy script and a shift are found where they are, Esc stops it',
  FULL,
  async ({ page }) => {
    const { request } = page.context();
    const id = await addNew(request, `Here ${Date.now()}`, BUSY);
    await page.goto(`${base}/pages/${id}/trials`);
    await fresh(page);
    const begin = async () => {
      await page.getByRole('button', { name: 'Measure', exact: true }).click();
      await page.getByRole('button', { name: /^Here, in this browser/ }).click();
    };
    await begin();
    const over = page.getByRole('dialog', { name: 'Measuring here' });
    await expect(over).toBeVisible();
    await expect(over.locator('iframe')).toHaveCSS('width', '1280px');
    await page.keyboard.press('Escape');
    await expect(over).toHaveCount(0);
    await expect(page.getByText('predicted, ±')).toBeVisible();

    await begin();
    await expect(over.getByText('run 2 of 3')).toBeVisible({ timeout: 60_000 });
    await expect(over).toHaveCount(0, { timeout: 60_000 });
    await expect(page.locator('.trial-summary')).toContainText('measured here');
    const { trials } = (await (await request.get(`${base}/api/pages/${id}/trials`)).json()) as {
      trials: { id: string; kind: string; state: string }[];
    };
    expect(trials).toMatchObject([{ kind: 'here', state: 'done' }]);
    const { result } = (await (await request.get(`${base}/api/trials/${itemAt(trials, 0).id}`)).json()) as {
      result: TrialResult;
    };
    const { y, t } = result.frames;
    expect(y[0]).toBe(0);
    expect(Math.max(...y)).toBeGreaterThan(4000);
    expect(t).toEqual([...t].sort((a, b) => a - b));
    const long = result.events.filter((e) => e.kind === 'long-frame' && e.size > 120);
    expect(long.length).toBeGreaterThan(0);
    // A busy machine has long frames of its own, elsewhere.
    expect(long.some((e) => Math.abs(e.y - 2000) < 400)).toBe(true);
    expect(result.events.some((e) => e.kind === 'dropped' && e.size >= 5 && Math.abs(e.y - 2000) < 800)).toBe(
      true,
    );
    expect(result.events.some((e) => e.kind === 'shift' && Math.abs(e.y - 2000) < 800)).toBe(true);
    const worst = result.frames.script.indexOf(Math.max(...result.frames.script));
    expect(result.frames.script[worst]).toBeGreaterThan(110);
    expect(result.spread).toHaveLength(3);
  },
);
