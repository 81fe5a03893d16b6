/** Requests that are nearly right: none of them may be answered with a fault of ours, whatever is in it. */
import { expect, test } from '@playwright/test';
import { trialSetup } from '../support/lab.ts';
import type { APIRequestContext } from '@playwright/test';
import { base, addPage, cardZip, newProject } from '../support/app.ts';
import { emptyLayout, itemAt, lastItem, present } from '@lyvek/core';
import { Random } from '../stranger/random.ts';

const TRIED = Number(process.env.LYVEK_FUZZ ?? '600');
const SEED = Number(process.env.LYVEK_SEED ?? '20261129');

const NASTY: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  1.5,
  1e308,
  -1e308,
  2 ** 31,
  2 ** 53,
  '',
  ' ',
  '\0',
  'a\0b',
  '\ud800',
  'x\udf89',
  '🎉',
  'é'.repeat(70),
  'n'.repeat(100),
  'n'.repeat(121),
  'n'.repeat(100_000),
  '__proto__',
  'constructor',
  '../../etc/passwd',
  '%00',
  "'; drop table takes; --",
  [],
  {},
  [[[[]]]],
  { __proto__: null },
  '2026-13-45',
  'calc(1px / 0)',
  'NaN',
  '00000000-0000-0000-0000-000000000000',
];

/** `value` with something nasty, something less or something more at a place inside it. */
function spoiled(value: unknown, random: Random): unknown {
  if (typeof value !== 'object' || value === null || random.next() < 0.12) return random.pick(NASTY);
  if (Array.isArray(value)) {
    if (value.length === 0 || random.next() < 0.2) return [...value, random.pick(NASTY)];
    const at = Math.floor(random.next() * value.length);
    return value.map((v, i) => (i === at ? spoiled(v, random) : (v as unknown)));
  }
  const keys = Object.keys(value);
  if (keys.length === 0 || random.next() < 0.15)
    return {
      ...value,
      [random.pick(NASTY.filter((n) => typeof n === 'string')) ?? 'more']: random.pick(NASTY),
    };
  const key = present(random.pick(keys));
  if (random.next() < 0.1) return Object.fromEntries(Object.entries(value).filter(([k]) => k !== key));
  return { ...value, [key]: spoiled((value as Record<string, unknown>)[key], random) };
}

/** Something real of each kind, and the bodies that the interface sends. */
async function world(request: APIRequestContext) {
  const project = await newProject(request, 'Fuzz');
  const page = await addPage(request, project, cardZip());
  const whole = (await (await request.get(`${base}/api/pages/${page}`)).json()) as {
    page: { contentHash: string };
    takes: { id: string }[];
  };
  const { projects } = (await (await request.get(`${base}/api/projects`)).json()) as {
    projects: { id: string }[];
  };
  const shelf = (await (await request.get(`${base}/api/projects/${itemAt(projects, 0).id}`)).json()) as {
    pages: { document: object }[];
  };
  const { document } = present(shelf.pages.find((p) => p.document));
  const layout = emptyLayout({ width: 1280, height: 800 });
  const take = itemAt(whole.takes, 0).id;
  const reference = (await (
    await request.post(`${base}/api/pages/${page}/references`, { data: { name: 'Fuzz' } })
  ).json()) as { id: string };
  const preset = (await (
    await request.post(`${base}/api/presets`, {
      data: { name: 'Fuzz', body: { motions: [(document as { motions: object[] }).motions[0]] } },
    })
  ).json()) as { id?: string };
  const ids: Record<string, string> = {
    projects: project,
    pages: page,
    takes: take,
    references: reference.id,
    presets: preset.id ?? page,
    trials: take,
    pictures: take,
    schemas: 'document',
  };
  const setup = trialSetup();
  const column = Array.from({ length: 5 }, (_, i) => i);
  const result = {
    format: 'lyvek-trial',
    version: 1,
    kind: 'here',
    setup,
    frames: {
      t: column,
      y: column,
      script: column,
      style: column,
      paint: column,
      composite: column,
      interval: column,
    },
    events: [{ kind: 'shift', t: 1, y: 2, size: 3, what: 'x' }],
    spread: [1],
    notes: ['x'],
  };
  const bodies: Record<string, unknown> = {
    document,
    layouts: layout,
    takes: { name: 'Fuzz', document, madeFrom: { takeId: take, revision: 1 } },
    trials: { setup, result },
    settings: { limits: {}, gestures: {}, traces: [] },
    outside: { outside: true },
    presets: { name: 'Fuzz', body: { motions: (document as { motions: object[] }).motions.slice(0, 1) } },
    'live-pages': { url: 'http://localhost:5999/' },
    name: { name: 'Fuzz' },
    pictures: { at: 100 },
  };
  return { ids, bodies, hash: whole.page.contentHash };
}

test(`${TRIED} requests that are nearly right: none is a fault of ours`, async ({ request }) => {
  test.setTimeout(60_000 + TRIED * 250);
  const random = new Random(SEED);
  const { ids, bodies, hash } = await world(request);
  const { paths } = (await (await request.get(`${base}/api/openapi.json`)).json()) as {
    paths: Record<string, Record<string, { parameters?: { name: string; in: string }[] }>>;
  };
  const operations = Object.entries(paths)
    .flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, op]) => ({ path: path.replace(/^\/api/, ''), method, op })),
    )
    // A proof in the browser takes seconds and reads nothing more of a request.
    .filter(({ path }) => !path.endsWith('/proofs/lab'));
  expect(operations.length).toBeGreaterThan(50);
  const faults: string[] = [];
  const seen = new Map<number, number>();
  const text = (v: unknown) => (typeof v === 'string' ? v : JSON.stringify(v));
  for (let i = 0; i < TRIED; i++) {
    const { path, method, op } = present(random.pick(operations));
    const things = itemAt(path.split('/'), 1);
    const filled = path.replace(/\{(\w+)\}/g, (_, name: string) => {
      if (random.next() < 0.15)
        return encodeURIComponent(wellFormed(text(random.pick(NASTY)).slice(0, 2000)));
      return name === 'number' ? '1' : (ids[things] ?? present(ids.pages));
    });
    const query = (op.parameters ?? [])
      .filter((p) => p.in === 'query' && random.next() < 0.8)
      .map(
        (p) =>
          `${p.name}=${encodeURIComponent(wellFormed(random.next() < 0.5 ? '1280' : text(random.pick(NASTY)).slice(0, 3000)))}`,
      )
      .join('&');
    const last = lastItem(path.split('/'));
    const body =
      bodies[method === 'patch' && things !== 'pictures' ? 'name' : last] ?? bodies[things] ?? bodies.name;
    const sent = random.next() < 0.1 ? body : spoiled(body, random);
    const headers: Record<string, string> = {
      'content-type': random.next() < 0.95 ? 'application/json' : 'application/zip',
      'if-match':
        random.next() < 0.4
          ? `"${hash}"`
          : random.next() < 0.5
            ? '"1"'
            : `"${random.pick(['99999999999999999999', '-1', 'x', '2147483648'])}"`,
      'x-edit-id': random.next() < 0.9 ? crypto.randomUUID() : 'x',
    };
    const raw = JSON.stringify(sent) ?? 'undefined';
    const response = await request.fetch(`${base}/api${filled}${query ? `?${query}` : ''}`, {
      method,
      headers,
      ...(method === 'get'
        ? {}
        : { data: random.next() < 0.03 ? raw.slice(0, raw.length / 2) : Buffer.from(raw) }),
      failOnStatusCode: false,
    });
    seen.set(response.status(), (seen.get(response.status()) ?? 0) + 1);
    if (response.status() >= 500 && response.status() !== 501)
      faults.push(
        `${method} ${filled.slice(0, 120)} → ${response.status()} ${(await response.text()).slice(0, 160)} for ${raw.slice(0, 200)}`,
      );
    // What was deleted is needed again.
    if (method === 'delete' && response.status() === 204 && ids[things])
      await request.post(`${base}/api/${things}/${ids[things]}/restore`);
  }
  console.log(
    [...seen]
      .sort((a, b) => a[0] - b[0])
      .map(([s, n]) => `${s}: ${n}`)
      .join(', '),
  );
  expect(faults).toEqual([]);
  // Some were right: else only the way in was tried.
  expect((seen.get(200) ?? 0) + (seen.get(201) ?? 0) + (seen.get(204) ?? 0)).toBeGreaterThan(TRIED / 20);
  expect((await request.get(`${base}/api/health`)).status()).toBe(200);
});

const wellFormed = (t: string): string => t.replace(/[\ud800-\udfff]/g, '�');
