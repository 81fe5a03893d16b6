/** Bringing a page that moves already: what was read, what is meant, what a newer version has lost, and the proof. */
import { expect, test } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { engineByName } from '@lyvek/server/lab';
import { strFromU8, unzipSync, zipSync } from 'fflate';
import { readDocument, itemAt, present } from '@lyvek/core';

const CSS = `body { margin: 0 } .gap { height: 1000px } .stop { height: 400px; color: #234 }
.stop {
  animation: lift linear both;
  animation-timeline: view();
  animation-range: entry 10% cover 40%;
}
#quay { animation-timeline: view(); animation: sink 2s linear both }
@keyframes lift { from { opacity: 0; translate: 0 60px } }
@keyframes sink { to { opacity: 0 } }
.stop::before { content: "~"; animation: lift linear both; animation-timeline: view() }
`;
const html = (stops: string) =>
  `<!doctype html>\n<html><head><title>Harbour</title>\n<link rel="stylesheet" href="a.css">\n</head><body><div class="gap"></div>${stops}<div class="gap"></div><p id="quay">Quay</p><div class="gap"></div></body></html>\n`;
const STOPS =
  '<section class="stop"><h2>Rope yard</h2></section><section class="stop"><h2>Fish market</h2></section>';
const zip = (page: string, css = CSS) =>
  Buffer.from(zipSync({ 'index.html': Buffer.from(page), 'a.css': Buffer.from(css) }));

async function added(request: APIRequestContext): Promise<string> {
  const { projects } = (await (await request.get('/api/projects')).json()) as { projects: { id: string }[] };
  const made = await request.post(`/api/projects/${itemAt(projects, 0).id}/pages?name=Harbour`, {
    headers: { 'content-type': 'application/zip' },
    data: zip(html(STOPS)),
  });
  expect(made.status()).toBe(201);
  return ((await made.json()) as { id: string }).id;
}
const takeOf = async (request: APIRequestContext, page: string) => {
  const { takes } = (await (await request.get(`/api/pages/${page}`)).json()) as { takes: { id: string }[] };
  const take = (await (await request.get(`/api/takes/${itemAt(takes, 0).id}`)).json()) as {
    document: unknown;
  };
  const parsed = readDocument(take.document);
  if (!parsed.ok) throw new Error(itemAt(parsed.problems, 0).message);
  return { id: itemAt(takes, 0).id, document: parsed.document };
};

test('motions are read, mistakes are named and read as meant, and the zip has nothing twice', async ({
  page,
  request,
}) => {
  const id = await added(request);
  expect((await takeOf(request, id)).document.motions.map((m) => m.targets.selector)).toEqual(['.stop']);
  await page.goto(`/pages/${id}`);
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible();
  // The page’s own animation is out of the way: only ours plays.
  const frame = page.frameLocator('.preview iframe');
  await expect
    .poll(() =>
      frame
        .locator('.stop')
        .first()
        .evaluate((e) => e.getAnimations().map((a) => (a as CSSAnimation).animationName)),
    )
    .toEqual(['lv-lift']);
  await page.getByRole('button', { name: /1 mistake, 1 not imported/ }).click();
  await expect(page.locator('.read-pop').getByText('comes after “animation-timeline: view()”')).toBeVisible();
  await expect(page.getByText('where the pseudo-element itself is')).toBeVisible();
  await page.locator('.read-pop').getByRole('button', { name: 'Import with correction' }).click();
  await expect(page.getByText('Imported with the correction')).toBeVisible();
  await expect(page.getByRole('button', { name: '1 not imported' })).toBeVisible();
  await expect.poll(async () => (await takeOf(request, id)).document.motions.length).toBe(2);
  await expect
    .poll(
      () =>
        frame
          .locator('#quay')
          .evaluate((e) => e.getAnimations().map((a) => (a as CSSAnimation).animationName)),
      { timeout: 15_000 },
    )
    .toEqual(['lv-sink']);
  // Undo gives the page its own animation back.
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await takeOf(request, id)).document.motions.length).toBe(1);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(async () => (await takeOf(request, id)).document.motions.length).toBe(2);
  const { id: take } = await takeOf(request, id);
  const files = unzipSync(
    new Uint8Array(await (await request.get(`/api/takes/${take}/hand-off.zip?width=1280&height=800`)).body()),
  );
  const css = strFromU8(present(files['a.css']));
  expect(css).toContain('.stop { height: 400px; color: #234 }');
  expect(css).not.toContain('@keyframes sink');
  expect(css).toContain('.stop::before');
  expect(strFromU8(present(files['harbour.motion.css']))).toContain('@keyframes sink');
});

const SCOPED = `body { margin: 0 } .gap { height: 1000px } .stop { height: 400px }
@keyframes lift { from { opacity: 0; translate: 0 60px } }
@scope (.quarter) to (.slot) { h2 { animation: lift linear both; animation-timeline: view() } }
.stop { view-timeline: --stop }
.stop::after { content: ""; display: block; height: 4px; background: #234; animation: lift linear both; animation-timeline: --stop }
#quay { animation: lift linear both; animation-timeline: veiw() }
`;

test('scopes and pseudo-elements play the same, and a misspelt word is found', async ({ page, request }) => {
  const { projects } = (await (await request.get('/api/projects')).json()) as { projects: { id: string }[] };
  const stops = STOPS.replace('</h2></section>', '</h2><div class="slot"><h2>Nets</h2></div></section>');
  const made = await request.post(`/api/projects/${itemAt(projects, 0).id}/pages?name=Quarter`, {
    headers: { 'content-type': 'application/zip' },
    data: zip(html(`<div class="quarter">${stops}</div>`), SCOPED),
  });
  const { id } = (await made.json()) as { id: string };
  const { motions } = (await takeOf(request, id)).document;
  expect(motions.map((m) => m.targets.selector).sort()).toEqual([
    '.stop::after',
    expect.stringMatching(/^h2:where\(\.quarter/),
  ]);
  await page.goto(`/pages/${id}`);
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible();
  await page.getByRole('button', { name: '1 mistake' }).click();
  const told = page.locator('.read-pop');
  await expect(
    told.getByText(/2 motions were imported .* play the same in Chromium: 5 elements/),
  ).toBeVisible();
  await expect(told.getByText('“veiw()” is no value of animation-timeline; “view()” would be')).toBeVisible();
  await told.getByRole('button', { name: 'Import with correction' }).click();
  await expect.poll(async () => (await takeOf(request, id)).document.motions.length).toBe(3);
  await expect
    .poll(
      () =>
        page
          .frameLocator('.preview iframe')
          .locator('#quay')
          .evaluate((e) => e.getAnimations().map((a) => (a as CSSAnimation).animationName)),
      { timeout: 15_000 },
    )
    .toEqual(['lv-lift-3']);
});

const ENGINES_SHOWN = [
  { name: 'chromium', label: 'Chromium', version: /in Chromium \d/ },
  { name: 'firefox', label: 'Firefox', version: /in Firefox \d/ },
  { name: 'webkit', label: 'WebKit', version: /in WebKitGTK \d/ },
] as const;

test('the finished page is proved here and in the browsers of the server', async ({ page, request }) => {
  const id = await added(request);
  await page.goto(`/pages/${id}`);
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible();
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await expect(page.getByText('1 motion of Take A')).toBeVisible();
  await expect(page.locator('.hand-html')).toContainText('lines are motions now');
  await page.getByRole('button', { name: 'Prove it', exact: true }).click();
  await expect(page.locator('.proof-sentence')).toContainText(
    /Looked at 1 of 1 motion, [1-9].* Everything matches the prediction/,
    { timeout: 60_000 },
  );
  await page.getByRole('checkbox', { name: /browsers without scroll timelines/ }).check();
  for (const { name, label, version } of ENGINES_SHOWN) {
    const button = page.locator('.proof-lab').getByRole('button', { name: label });
    if (engineByName(name).missing() !== null) {
      await expect(button).toBeDisabled();
      continue;
    }
    await button.click();
    await expect(page.locator('.proof .hand-head')).toContainText(version, { timeout: 60_000 });
    await expect(page.locator('.proof-sentence')).toContainText(
      /Looked at 1 of 1 motion, .* Everything matches the prediction/,
    );
    // What was proved before stays beside it.
    await expect(page.locator('.proof-others')).toContainText('In this browser: as predicted');
  }
  // What was proved stands beside what is known from elsewhere, also after a reload.
  await page.reload();
  await page.getByText('Browsers that play it natively').click();
  const support = page.locator('details.support').filter({ hasText: 'natively' });
  await expect(support).toContainText('this browser');
  await expect(support).toContainText(/Chromium \d.*: 1 of 1 motions?, all as predicted/);
  await expect(support).toContainText('open compatibility data');
  await page.getByRole('checkbox', { name: /browsers without scroll timelines/ }).check();
  // Another target is another result.
  await page.getByRole('button', { name: 'What plays the motions' }).click();
  await page.getByText('Web Animations', { exact: true }).click();
  await expect(page.locator('.hand-html')).toContainText('new ViewTimeline');
  await page.getByRole('button', { name: /Prove/ }).first().click();
  await expect(page.locator('.proof-sentence')).toContainText(
    /Looked at 1 of 1 motion, [1-9].* Everything matches the prediction/,
    { timeout: 60_000 },
  );
});

test('a newer version keeps the takes, and proposes what its elements may be now', async ({
  page,
  request,
}) => {
  const id = await added(request);
  await page.goto(`/pages/${id}`);
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible();
  await expect
    .poll(
      async () =>
        ((await (await request.get(`/api/pages/${id}`)).json()) as { layouts: unknown[] }).layouts.length,
    )
    .toBe(1);
  const renamed = html(STOPS.replaceAll('section class="stop"', 'section class="halt"'));
  const put = await request.put(`/api/pages/${id}/files`, {
    headers: { 'content-type': 'application/zip' },
    data: zip(renamed),
  });
  expect(put.ok()).toBe(true);
  await page.reload();
  await page.getByRole('button', { name: '1 lost in the new page' }).click();
  await expect(page.getByText('Probably now')).toBeVisible();
  await page.getByRole('button', { name: 'It is this one' }).click();
  await expect(page.getByRole('button', { name: 'lost in the new page' })).toHaveCount(0);
  await expect
    .poll(async () => itemAt((await takeOf(request, id)).document.motions, 0).targets.selector)
    .toContain('section');
  await expect
    .poll(() =>
      page
        .frameLocator('.preview iframe')
        .locator('.halt')
        .evaluateAll((all) => all.map((e) => e.getAnimations().length)),
    )
    .toEqual([1, 1]);
});
