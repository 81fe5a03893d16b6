/** A page under development, from a Vite server with React: driven live, through hot reload and routes; and who is not let in. */
import { expect, test } from '@playwright/test';
import type { APIRequestContext, FrameLocator, Page } from '@playwright/test';
import { cpSync, mkdtempSync, readFileSync, writeFileSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import { createServer } from 'vite';
import type { ViteDevServer } from 'vite';
import { emptyDocument, itemAt, present } from '@lyvek/core';
import { motion } from '@lyvek/core/testing';
import { elapse } from '../support/time.ts';

const SOURCE = fileURLToPath(new URL('../fixtures/live-app/', import.meta.url));
const MODULES = fileURLToPath(new URL('../../node_modules', import.meta.url));

interface LivePage {
  id: string;
  live: { url: string; code: string };
}

let folder = '';
let server: ViteDevServer;
let url = '';

test.beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'lyvek-live-'));
  cpSync(SOURCE, folder, { recursive: true });
  symlinkSync(MODULES, join(folder, 'node_modules'));
  server = await createServer({
    root: folder,
    configFile: false,
    plugins: [react()],
    logLevel: 'error',
    cacheDir: join(folder, '.vite'),
    server: { port: 0, host: 'localhost', fs: { strict: false } },
  });
  await server.listen();
  url = itemAt(present(server.resolvedUrls).local, 0);
});
test.afterAll(() => server.close());

const edit = (file: string, change: (text: string) => string) =>
  writeFileSync(join(folder, file), change(readFileSync(join(folder, file), 'utf8')));

/** Puts the script tag with this code into the page’s HTML. */
const pairWith = (base: string, code: string) =>
  edit('index.html', (t) =>
    t.replace(
      /<!-- pairing -->|<script src="[^"]*\/connect\/[^"]*"><\/script>/,
      `<script src="${base}/connect/${code}.js"></script>`,
    ),
  );

async function connected(request: APIRequestContext, at = url): Promise<LivePage> {
  const { projects } = (await (await request.get('/api/projects')).json()) as { projects: { id: string }[] };
  const made = await request.post(`/api/projects/${itemAt(projects, 0).id}/live-pages`, {
    data: { url: at },
  });
  expect(made.status()).toBe(201);
  return (await made.json()) as LivePage;
}

const toFrame = (page: Page): FrameLocator => page.frameLocator('.preview iframe').frameLocator('iframe');
/** A real click in the page, which is shown smaller than it is. */
async function click(page: Page, name: string): Promise<void> {
  const frame = present(await page.locator('.preview iframe').boundingBox());
  const at = await toFrame(page)
    .getByRole('link', { name })
    .evaluate((e) => {
      const { x, y, width, height } = e.getBoundingClientRect();
      return { x: (x + width / 2) / innerWidth, y: (y + height / 2) / innerHeight };
    });
  await page.mouse.click(frame.x + at.x * frame.width, frame.y + at.y * frame.height);
}
const playing = (frame: FrameLocator, selector: string): Promise<string[] | string> =>
  frame
    .locator(selector)
    .evaluateAll((all) =>
      all.map((e) =>
        e
          .getAnimations()
          .map((a) => (a as CSSAnimation).animationName)
          .join(),
      ),
    )
    .catch(() => 'reloading');

test('the Rundown drives it, and goes on after a hot reload and a route change', async ({
  page,
  request,
  baseURL,
}) => {
  page.setDefaultTimeout(15_000);
  const live = await connected(request);
  const whole = (await (await request.get(`/api/pages/${live.id}`)).json()) as {
    takes: { id: string; revision: number }[];
  };
  const moving = {
    ...emptyDocument(),
    motions: [
      motion({
        id: 'm_boat',
        name: 'Boat',
        targets: { selector: '.boat' },
        range: { start: 'entry 0%', end: 'cover 50%' },
      }),
    ],
  };
  const put = await request.put(`/api/takes/${itemAt(whole.takes, 0).id}/document`, {
    headers: { 'if-match': `"${itemAt(whole.takes, 0).revision}"`, 'x-edit-id': crypto.randomUUID() },
    data: moving,
  });
  expect(put.ok()).toBe(true);
  await page.goto(`/pages/${live.id}`);
  // Without the line in its HTML the page is there and silent, and the workbench says what is missing.
  await expect(page.getByText('put this line into the page’s HTML')).toBeVisible();
  await expect(page.getByLabel('Line for the page’s HTML')).toContainText(live.live.code);
  pairWith(present(baseURL), live.live.code);
  // It may have looked by itself just then, and the button is gone.
  const again = page.getByRole('button', { name: 'Look again' });
  await again.click({ timeout: 3000 }).catch(() => undefined);
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible({ timeout: 20_000 });
  const frame = toFrame(page);
  await expect.poll(() => playing(frame, '.boat')).toEqual(['lv-boat', 'lv-boat']);
  // Scrolling the Rundown scrolls the page.
  await page.locator('body').press('PageDown');
  await expect.poll(() => frame.locator('html').evaluate(() => scrollY)).toBeGreaterThan(50);

  // Hot module replacement keeps the page and its state; a third boat moves as the others do.
  const runs = await frame.locator('main').getAttribute('data-runs');
  edit('src/boats.js', () => "export const boats = ['Heron', 'Tern', 'Grebe'];\n");
  await expect(frame.getByText('Grebe')).toBeVisible({ timeout: 15_000 });
  await expect.poll(() => playing(frame, '.boat')).toEqual(['lv-boat', 'lv-boat', 'lv-boat']);
  // A full reload pairs again by itself.
  edit('index.html', (t) => t.replace('Boathouse</title>', 'Boathouse two</title>'));
  await expect
    .poll(() =>
      // While the page reloads there is nobody to ask.
      frame
        .locator('html')
        .evaluate(() => document.title)
        .catch(() => 'reloading'),
    )
    .toBe('Boathouse two');
  await expect.poll(() => playing(frame, '.boat')).toEqual(['lv-boat', 'lv-boat', 'lv-boat']);
  expect(runs).not.toBeNull();

  // Another route and back: what moves is there again.
  await page.locator('body').press('Home');
  await page.getByText('Use the page').click();
  await click(page, 'Crew');
  await expect(frame.getByRole('heading', { name: 'Crew' })).toBeVisible();
  await expect(
    page.getByText('is not on this page').or(page.getByText('no element matches')),
  ).not.toHaveCount(0);
  await click(page, 'Boats');
  await expect.poll(() => playing(frame, '.boat')).toEqual(['lv-boat', 'lv-boat', 'lv-boat']);
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible();
});

test('a page with another code is not let in', async ({ page, request, baseURL }) => {
  const [mine, other] = [await connected(request), await connected(request)];
  pairWith(present(baseURL), other.live.code);
  await page.goto(`/pages/${mine.id}`);
  await expect(page.getByText('has another pairing code')).toBeVisible({ timeout: 15_000 });
  await expect(page.locator('.preview[data-link="ready"]')).toHaveCount(0);
});

test('a code that was never given loads nothing; the code and the API stay out of reach of the page', async ({
  page,
  request,
  baseURL,
}) => {
  const live = await connected(request);
  const wrong = await request.get(`/connect/${'a'.repeat(26)}.js`);
  expect(wrong.status()).toBe(404);
  expect(await wrong.text()).not.toContain('LYVEK_PAIRING');
  const right = await request.get(`/connect/${live.live.code}.js`);
  expect(right.status()).toBe(200);
  expect(right.headers()['access-control-allow-origin']).toBeUndefined();
  pairWith(present(baseURL), live.live.code);
  await page.goto(`/pages/${live.id}`);
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible({ timeout: 20_000 });
  const reached = await toFrame(page)
    .locator('html')
    .evaluate(
      (_, base) =>
        Promise.all(
          ['/api/projects', '/api/presets'].map((path) =>
            fetch(`${base}${path}`).then(
              (r) => r.status,
              () => 0,
            ),
          ),
        ),
      present(baseURL),
    );
  expect(reached).toEqual([0, 0]);
});

test('what was overheard once is of no use again, and another origin is not heard', async ({
  page,
  request,
  baseURL,
}) => {
  const live = await connected(request);
  pairWith(present(baseURL), live.live.code);
  await page.goto(`/pages/${live.id}`);
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible({ timeout: 20_000 });
  const frame = toFrame(page);
  // A hello with a fresh number is answered once; the same one again is not.
  const html = frame.locator('html');
  await html.evaluate((e) =>
    addEventListener('message', ({ data }: MessageEvent<{ type?: string }>) => {
      if (data.type === 'welcome') e.dataset.answers = String(Number(e.dataset.answers ?? 0) + 1);
    }),
  );
  for (let i = 0; i < 3; i++) {
    await html.evaluate(() =>
      top!.postMessage(
        { lyvek: 'lyvek-pairing-1', type: 'hello', nonce: '0123456789abcdef0123456789abcdef' },
        '*',
      ),
    );
    await elapse(page, 200);
  }
  await expect(html).toHaveAttribute('data-answers', '1');
  // Nor does an answer without the right proof open a port.
  await elapse(page, 300);
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible();

  const second = await createServer({
    root: folder,
    configFile: false,
    plugins: [react()],
    logLevel: 'error',
    cacheDir: join(folder, '.vite2'),
    server: { port: 0, host: '127.0.0.1' },
  });
  await second.listen();
  try {
    await frame
      .locator('html')
      .evaluate((_, to) => void location.assign(to), itemAt(present(second.resolvedUrls).local, 0));
    await expect(page.getByText('gone to another address').or(page.getByText('does not answer'))).toBeVisible(
      { timeout: 30_000 },
    );
  } finally {
    await second.close();
  }
});

test('only pages on this machine can be connected', async ({ request }) => {
  const { projects } = (await (await request.get('/api/projects')).json()) as { projects: { id: string }[] };
  for (const at of [
    'http://example.test/',
    'http://127.0.0.1.example.test:80/',
    'file:///etc/hosts',
    'http://user:pw@localhost:3000/',
    'javascript:alert(1)',
  ]) {
    const made = await request.post(`/api/projects/${itemAt(projects, 0).id}/live-pages`, {
      data: { url: at },
    });
    expect(made.status(), at).toBe(422);
  }
});
