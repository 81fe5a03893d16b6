/** Imported pages are hostile, and so are other sites: neither reaches the API. */
import { present } from '@lyvek/core';
import { request as nodeRequest } from 'node:http';
import { expect, test } from '@playwright/test';
import { base, html, openNew, pick, preview } from '../support/app.ts';

test('a script-laden page cannot read the API, the workbench or any storage', async ({ page, request }) => {
  const evil = html(
    `<h1 id="out">…</h1><div style="height:3000px"></div><script type="module">
    const tries = {};
    const attempt = async (name, work) => { try { tries[name] = 'GOT ' + (await work()); } catch (e) { tries[name] = 'refused'; } };
    await attempt('api', async () => (await fetch('${base}/api/projects')).status);
    await attempt('no-cors', async () => (await fetch('${base}/api/projects', { mode: 'no-cors' })).status);
    await attempt('write', async () => (await fetch('${base}/api/projects', { method: 'POST', body: '{"name":"evil"}', headers: { 'content-type': 'application/json' } })).status);
    await attempt('own host api', async () => { const r = await fetch('/api/projects'); if (!r.ok) throw 0; return r.text(); });
    await attempt('parent', async () => parent.document.title);
    await attempt('storage', async () => localStorage.length);
    await attempt('cookie', async () => { document.cookie = 'a=b'; if (!document.cookie) throw 0; });
    await attempt('top', async () => { top.location.href = 'about:blank'; return 'navigated'; });
    out.textContent = JSON.stringify(tries);
    parent.postMessage({ type: 'picked', element: 0, additive: false }, '*');
    parent.postMessage('lyvek-probe-1', '*');
    </script>`,
  );
  await openNew(page, request, 'Evil', evil);
  const out = preview(page).locator('#out');
  await expect(out).toContainText('top');
  const tries = JSON.parse(present(await out.textContent())) as Record<string, string>;
  for (const name of ['api', 'write', 'own host api', 'parent', 'storage', 'cookie', 'top'])
    expect([name, tries[name]]).toEqual([name, 'refused']);
  // An opaque answer of status 0 at most, and nothing was written.
  expect(['refused', 'GOT 0']).toContain(tries['no-cors']);
  const { projects } = (await (await request.get(`${base}/api/projects`)).json()) as {
    projects: { name: string }[];
  };
  expect(projects.map((p) => p.name)).not.toContain('evil');
  await expect(page).toHaveTitle(/Test page/);
  await expect(page.locator('.inspector')).toContainText('No motions yet');
});

test('its own fonts, modules and images load, and its policy does not keep the motions out', async ({
  page,
  request,
}) => {
  const strict = `<!doctype html><html><head><meta http-equiv="Content-Security-Policy" content="script-src 'none'; style-src 'unsafe-inline'"><title>Strict</title></head><body style="margin:0"><h1>Strict</h1><div style="height:3000px"></div></body></html>`;
  await openNew(page, request, 'Strict', strict);
  await pick(page, 'h1');
  await page.keyboard.press('a');
  await page.keyboard.press('Enter');
  await expect
    .poll(() =>
      preview(page)
        .locator('h1')
        .evaluate((e) => e.getAnimations().length),
    )
    .toBe(1);
});

test('a page that hangs is noticed and can be reloaded', async ({ page, request }) => {
  const stuck = html(
    '<h1>Stuck</h1><div style="height:3000px"></div><script>setTimeout(() => { if (!sessionOnce()) for (;;); }, 2500); function sessionOnce() { return false; }</script>',
  );
  await openNew(page, request, 'Stuck', stuck);
  const reload = page.getByRole('button', { name: 'Reload the page' });
  await expect(reload).toBeVisible({ timeout: 20_000 });
  await reload.click();
  await expect(page.locator('.preview-note.stopped')).toHaveCount(0);
});

/** A request with headers that browsers and test clients set themselves. */
const raw = (path: string, headers: Record<string, string>, method = 'GET') =>
  new Promise<number>((resolve, reject) => {
    const url = new URL(base);
    const req = nodeRequest({ host: '127.0.0.1', port: url.port, path, method, headers }, (res) => {
      res.resume();
      resolve(present(res.statusCode));
    });
    req.on('error', reject);
    req.end();
  });

test('host, origin and site are checked', async () => {
  const own = new URL(base).host;
  expect(await raw('/api/health', { host: own })).toBe(200);
  expect(await raw('/api/health', { host: 'rebound.example:80' })).toBe(403);
  expect(await raw('/', { host: 'rebound.example' })).toBe(403);
  expect(await raw('/api/projects', { host: own, origin: 'http://evil.example' })).toBe(403);
  expect(await raw('/api/projects', { host: own, origin: 'null' })).toBe(403);
  expect(await raw('/api/projects', { host: own, 'sec-fetch-site': 'cross-site' })).toBe(403);
  expect(await raw('/api/projects', { host: own, 'sec-fetch-site': 'same-site' })).toBe(403);
  expect(await raw('/api/projects', { host: own, 'sec-fetch-site': 'same-origin', origin: base })).toBe(200);
  // A preview host serves its page and nothing else; a token that nobody has serves nothing.
  expect(await raw('/api/health', { host: `${'0'.repeat(32)}.localhost:${new URL(base).port}` })).toBe(404);
});

test('wrong JSON gets a problem with its path', async ({ request }) => {
  const post = async (data: string) =>
    (
      await request.post(`${base}/api/projects`, { data, headers: { 'content-type': 'application/json' } })
    ).json();
  expect((await post('{"name":')).title).toBe('Not JSON');
  expect((await post('{"name":""}')).detail).toContain('name: a name is needed');
  expect((await post('{"name":"x","admin":true}')).status).toBe(422);
  expect((await (await request.get(`${base}/api/projects/none`)).json()).status).toBe(422);
  expect((await (await request.get(`${base}/api/nothing`)).json()).detail).toContain('GET /nothing');
});
