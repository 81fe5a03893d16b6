/** The HTTP API as a client meets it: lifecycles, conflicts, limits of what may be stored, several servers on one database. */
import { itemAt, present } from '@lyvek/core';
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { expect, test } from '@playwright/test';
import { trialSetup } from '../support/lab.ts';
import type { APIRequestContext, APIResponse } from '@playwright/test';
import { unzipSync } from 'fflate';
import { makeDocument, element, makeLayout, motion } from '@lyvek/core/testing';
import { addNew, addPage, base, cardZip, html, newProject, stack } from '../support/app.ts';

const json = async (r: APIResponse | Promise<APIResponse>) =>
  (await (await r).json()) as Record<string, never> & { [k: string]: unknown };
const api = (request: APIRequestContext) => ({
  get: (path: string) => request.get(`${base}/api${path}`),
  post: (path: string, data?: unknown) => request.post(`${base}/api${path}`, { data }),
  patch: (path: string, data: unknown) => request.patch(`${base}/api${path}`, { data }),
  remove: (path: string) => request.delete(`${base}/api${path}`),
  put: (path: string, data: unknown, headers: Record<string, string>, at = base) =>
    request.put(`${at}/api${path}`, { data, headers }),
});

async function pageWithTake(request: APIRequestContext) {
  const id = await addNew(request, `API ${randomUUID().slice(0, 8)}`, cardZip());
  const whole = (await json(request.get(`${base}/api/pages/${id}`))) as unknown as {
    page: { contentHash: string; token: string };
    takes: { id: string }[];
  };
  return { id, take: itemAt(whole.takes, 0).id, hash: whole.page.contentHash, token: whole.page.token };
}
const edit = (revision: number, id = randomUUID()) => ({ 'if-match': `"${revision}"`, 'x-edit-id': id });

test('projects, pages and takes: made, renamed, put away, brought back', async ({ request }) => {
  const { get, post, patch, remove } = api(request);
  const project = await newProject(request, '  Trimmed  ');
  expect((await json(get(`/projects/${project}`))).project).toMatchObject({
    name: 'Trimmed',
    demo: false,
    pages: 0,
  });
  const page = await addPage(request, project, html('<h1>x</h1>'), 'text/html', '?name=ignored');
  const { takes } = (await json(get(`/pages/${page}`))) as unknown as {
    takes: { id: string; name: string }[];
  };
  for (const [path, name] of [
    [`/projects/${project}`, 'Project two'],
    [`/pages/${page}`, 'Page two'],
    [`/takes/${itemAt(takes, 0).id}`, 'Take two'],
  ] as const) {
    expect((await json(patch(path, { name }))).name).toBe(name);
    expect((await patch(path, { name: '' })).status()).toBe(422);
    expect((await patch(path, { name: 'x'.repeat(121) })).status()).toBe(422);
    expect((await remove(path)).status()).toBe(204);
    expect((await get(path)).status()).toBe(404);
    expect((await post(`${path}/restore`)).status()).toBe(200);
    expect((await get(path)).status()).toBe(200);
  }
  expect((await get(`/pages/${randomUUID()}`)).status()).toBe(404);
  expect((await remove(`/takes/${randomUUID()}`)).status()).toBe(404);
});

test('a document is stored whole, or refused with every path', async ({ request }) => {
  const { get, put } = api(request);
  const { take } = await pageWithTake(request);
  const document = makeDocument(
    motion({ targets: { selector: '#pear' } }),
    motion({ id: 'm_b', name: 'Ümlaut “quoted”' }),
  );
  expect(await json(put(`/takes/${take}/document`, document, edit(1)))).toEqual({ revision: 2 });
  const stored = await get(`/takes/${take}`);
  expect(stored.headers().etag).toBe('"2"');
  expect((await json(stored)).document).toEqual(document);
  const bad = {
    ...document,
    motions: [{ ...document.motions[0], range: { start: 'entr 1%', end: 'exit' }, extra: 1 }],
  };
  const refused = await put(`/takes/${take}/document`, bad, edit(2));
  expect(refused.status()).toBe(422);
  const { problems } = (await refused.json()) as { problems: { path: string }[] };
  expect(problems.map((p) => p.path).sort()).toEqual(['motions[0]', 'motions[0].range.start']);
  expect((await get(`/takes/${take}`)).headers().etag).toBe('"2"');
});

test('a patch makes the next revision, or is refused and nothing is changed', async ({ request }) => {
  const { get, put } = api(request);
  const { take } = await pageWithTake(request);
  await put(`/takes/${take}/document`, makeDocument(motion({ name: 'Title' })), edit(1));
  const patch = (data: unknown, revision: number) =>
    request.patch(`${base}/api/takes/${take}/document`, {
      headers: { ...edit(revision), 'content-type': 'application/json-patch+json' },
      data: JSON.stringify(data),
    });
  const rename = (value: string) => [{ op: 'replace', path: '/motions/0/name', value }];
  expect(await json(patch(rename('Sun'), 2))).toEqual({ revision: 3 });
  expect((await json(get(`/takes/${take}`))).document).toEqual(makeDocument(motion({ name: 'Sun' })));
  const refused = [
    patch(rename('Late'), 2),
    patch([{ op: 'remove', path: '/motions/4' }], 3),
    patch(rename(''), 3),
    patch([{ op: 'copy', from: '/motions', path: '/motions/0' }], 3),
    patch({}, 3),
  ];
  const statuses = (await Promise.all(refused)).map((r) => r.status());
  expect(statuses).toEqual([412, 409, 422, 422, 422]);
  expect((await get(`/takes/${take}`)).headers().etag).toBe('"3"');
});

test('a trial measured elsewhere is kept only with figures that can be', async ({ request }) => {
  const { take } = await pageWithTake(request);
  const { post } = api(request);
  const column = [0, 16, 32];
  const setup = trialSetup();
  const result = (y: number) => ({
    format: 'lyvek-trial',
    version: 1,
    kind: 'here',
    setup,
    frames: { t: column, y: [0, 5, y], script: column, style: column, paint: column, composite: column },
    events: [],
    spread: [],
    notes: [],
  });
  expect((await post(`/takes/${take}/trials`, { setup, result: result(1e11) })).status()).toBe(422);
  expect((await post(`/takes/${take}/trials`, { setup, result: result(-4) })).status()).toBe(422);
  expect((await post(`/takes/${take}/trials`, { setup, result: result(40) })).status()).toBe(201);
});

test('of twenty writers on one revision exactly one wins', async ({ request }) => {
  const { put, get } = api(request);
  const { take } = await pageWithTake(request);
  const results = await Promise.all(
    Array.from({ length: 20 }, (_, i) =>
      put(`/takes/${take}/document`, makeDocument(motion({ name: `Writer ${i}` })), edit(1)),
    ),
  );
  const statuses = results.map((r) => r.status()).sort();
  expect(statuses).toEqual([200, ...Array<number>(19).fill(412)]);
  const winner = results.findIndex((r) => r.status() === 200);
  const { document, revision } = (await json(get(`/takes/${take}`))) as unknown as {
    document: { motions: { name: string }[] };
    revision: number;
  };
  expect([revision, itemAt(document.motions, 0).name]).toEqual([2, `Writer ${winner}`]);
});

test('layouts belong to a page’s content; the hand-off needs one', async ({ request }) => {
  const { put, get } = api(request);
  const { id, take, hash } = await pageWithTake(request);
  const handOff = `/takes/${take}/hand-off.zip?width=1000&height=800`;
  const missing = await get(handOff);
  expect([missing.status(), (await json(missing)).detail]).toEqual([
    409,
    expect.stringContaining('Open it in the Rundown once'),
  ]);
  const layout = makeLayout([element({ selector: '#pear' })]);
  expect((await put(`/pages/${id}/layouts`, layout, { 'if-match': '"other"' })).status()).toBe(412);
  expect(
    (await put(`/pages/${id}/layouts`, { ...layout, page: {} }, { 'if-match': `"${hash}"` })).status(),
  ).toBe(422);
  expect((await put(`/pages/${id}/layouts`, layout, { 'if-match': `"${hash}"` })).status()).toBe(204);
  await put(`/takes/${take}/document`, makeDocument(motion({ targets: { selector: '#pear' } })), edit(1));
  const zip = await get(handOff);
  expect(zip.headers()['content-disposition']).toContain('orchard-prices.zip');
  const files = unzipSync(new Uint8Array(await zip.body()));
  expect(Object.keys(files).sort()).toEqual([
    'art/pear.svg',
    'css/style.css',
    'index.html',
    'orchard-prices.motion.css',
  ]);
  const text = (name: string) => Buffer.from(present(files[name])).toString('utf8');
  expect(text('orchard-prices.motion.css')).toContain('#pear {');
  expect(text('index.html')).toContain('<link rel="stylesheet" href="orchard-prices.motion.css">');
  expect(text('index.html')).not.toContain('data-lyvek-probe');
  expect(text('index.html').replace('\n<link rel="stylesheet" href="orchard-prices.motion.css">\n', '')).toBe(
    String((await json(get(`/pages/${id}/texts`))).html),
  );
});

test('the formats are published as JSON Schemas', async ({ request }) => {
  const { get } = api(request);
  const document = (await json(get('/schemas/document'))) as unknown as {
    properties: {
      motions: { items: { properties: Record<string, unknown>; additionalProperties: boolean } };
    };
  };
  expect(Object.keys(document.properties.motions.items.properties).sort()).toEqual(
    [
      ...Object.keys(motion()),
      ...['conditions', 'files', 'preset', 'repeat', 'stagger', 'thresholds', 'ties', 'time', 'tunable'],
    ].sort(),
  );
  expect(document.properties.motions.items.additionalProperties).toBe(false);
  expect(JSON.stringify(await json(get('/schemas/layout')))).toContain('lyvek-layout');
});

test('a preview is served as it was brought, plus the probe, and cannot be guessed', async ({ request }) => {
  const { token, id } = await pageWithTake(request);
  const at = (path: string) => request.get(`${base}/preview/${token}${path}`);
  const page = await at('/');
  const policy = present(page.headers()['content-security-policy']);
  expect(policy).toContain('sandbox allow-scripts');
  expect(policy).not.toContain('allow-same-origin');
  const source = (await (await request.get(`${base}/api/pages/${id}/texts`)).json()) as { html: string };
  expect((await page.text()).replace(/<script data-lyvek-probe>[\s\S]*?<\/script>/, '')).toBe(source.html);
  expect((await at('/css/style.css')).headers()['content-type']).toContain('text/css');
  expect((await at('/art/pear.svg')).headers()['access-control-allow-origin']).toBe('*');
  expect((await at('/art/none.svg')).status()).toBe(404);
  expect((await at('/css/..%2f..%2fpackage.json')).status()).toBe(404);
  expect((await request.get(`${base}/preview/${'0'.repeat(32)}/`)).status()).toBe(404);
  // The same file again costs nothing.
  const { etag } = (await at('/css/style.css')).headers();
  expect(
    (
      await request.get(`${base}/preview/${token}/css/style.css`, {
        headers: { 'if-none-match': present(etag) },
      })
    ).status(),
  ).toBe(304);
});

test('two servers share one database', async ({ request }) => {
  test.skip(!stack().databaseUrl, 'needs the stack of npm test');
  const port = await new Promise<number>((resolve) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const p = (s.address() as AddressInfo).port;
      s.close(() => resolve(p));
    });
  });
  const second = spawn(process.execPath, ['dist/server.js'], {
    env: {
      ...process.env,
      DATABASE_URL: stack().databaseUrl,
      PORT: String(port),
      LYVEK_ROOT: process.cwd(),
      LYVEK_LOG: 'silent',
    },
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
  await new Promise((ready) => second.once('message', ready));
  const other = `http://127.0.0.1:${port}`;
  const { put, get } = api(request);
  const { take } = await pageWithTake(request);
  const both = await Promise.all(
    [base, other].map((at, i) =>
      put(`/takes/${take}/document`, makeDocument(motion({ name: `From ${i}` })), edit(1), at),
    ),
  );
  expect(both.map((r) => r.status()).sort()).toEqual([200, 412]);
  const seen = await Promise.all(
    [get(`/takes/${take}`), request.get(`${other}/api/takes/${take}`)].map(json),
  );
  expect(seen[0]).toEqual(seen[1]);
  second.disconnect();
  // Without its parent's channel it ends by itself.
  await new Promise((ended) => second.once('exit', ended));
});
