/** What a developer does with a hand-off: the steps that it lists, and the code for the page’s own scripts. */
import { expect, test } from '@playwright/test';
import type { APIRequestContext, Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { demoProject, openRundown } from '../support/app.ts';
import { served } from '../support/served.ts';

/** The demo page whose script listens to a signal, measured, and its hand-off as files. */
async function night(page: Page, request: APIRequestContext) {
  const shelf = await (await request.get(`/api/projects/${await demoProject(request)}`)).json();
  const found = shelf.pages.find((p: { name: string }) => p.name.includes('Night'));
  await openRundown(page, found.id);
  const zip = await request.get(`/api/takes/${found.takes[0].id}/hand-off.zip?width=1280&height=800`);
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await page.locator('.code').first().waitFor();
  return unzipSync(new Uint8Array(await zip.body()));
}

test('the steps name what is in the zip, and the code for scripts of the page works there', async ({
  page,
  request,
  context,
}) => {
  const files = await night(page, request);
  const text = (path: string) => Buffer.from(files[path] ?? []).toString('utf8');
  await page.getByText('What goes where').click();
  const steps = page.locator('.guide', { hasText: 'What goes where' });
  const named = await steps.locator('li li code').allTextContents();
  expect(named).toContain('motion-runtime.js');
  for (const file of named) expect(Object.keys(files)).toContain(file);
  const [head, ...tracks] = await steps.locator('pre').allTextContents();
  for (const line of head!.split('\n')) expect(text('index.html')).toContain(line);
  const wrappers = tracks.flatMap((t) => t.match(/^<div class="[^"]+">/) ?? []);
  expect(wrappers).toHaveLength(4);
  for (const wrapper of wrappers) expect(text('index.html')).toContain(wrapper);

  await page.getByText('For the page’s own scripts and links').click();
  const forScripts = page.locator('.guide', { hasText: 'For the page’s own scripts and links' });
  const code = (await forScripts.locator('pre').allTextContents()).find((t) => t.includes("'signal'"));
  const site = await served(context, files);
  const heard: string[] = [];
  site.on('console', (m) => heard.push(m.text()));
  await site.evaluate(code!);
  await site.mouse.move(600, 400);
  const at = await site.evaluate(() => document.querySelector('#exposure')!.getBoundingClientRect().top);
  for (let y = 0; y < at; y += 600) await site.mouse.wheel(0, 600);
  await expect.poll(() => heard.map(Number).some((v) => v > 0 && v <= 100)).toBe(true);
});

test('a chosen motion says by which properties it is tuned, and they do', async ({
  page,
  request,
  context,
}) => {
  await night(page, request);
  await page.getByRole('button', { name: /^Road text/ }).click();
  await page.getByRole('checkbox', { name: 'Write its numbers as custom properties' }).check();
  await expect(page.locator('.tuning pre')).toContainText('--lv-road-text-distance: 60px');
  const rule = await page.locator('.tuning pre').textContent();
  await expect(page.getByText(/^Saved/)).toBeVisible();
  const files = await night(page, request);
  const site = await served(context, files);
  const y = await site.evaluate(() => {
    document.querySelector('#road-text')!.scrollIntoView({ block: 'end', behavior: 'instant' });
    return scrollY - 200;
  });
  const drop = () =>
    site.evaluate(async (y) => {
      scrollTo({ top: y, behavior: 'instant' });
      for (let i = 0; i < 3; i++) await new Promise(requestAnimationFrame);
      const [, down] = getComputedStyle(document.querySelector('#road-text')!).translate.split(' ');
      return Math.abs(parseFloat(down ?? '0'));
    }, y);
  const before = await drop();
  expect(before).toBeGreaterThan(10);
  await site.addStyleTag({ content: rule!.replace('60px', '120px') });
  expect(await drop()).toBeCloseTo(before * 2, 1);
});
