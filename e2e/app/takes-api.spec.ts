/** Takes over HTTP: where they come from, their revisions, what was put away, and references of pictures. */
import { itemAt, lastItem } from '@lyvek/core';
import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { makeDocument, motion } from '@lyvek/core/testing';
import { addNew, base, cardZip } from '../support/app.ts';

const PNG = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 0]);

async function page(request: APIRequestContext) {
  const id = await addNew(request, `Takes API ${randomUUID().slice(0, 8)}`, cardZip());
  const { takes } = (await (await request.get(`${base}/api/pages/${id}`)).json()) as {
    takes: { id: string }[];
  };
  return { id, take: itemAt(takes, 0).id };
}
const put = (request: APIRequestContext, take: string, revision: number, name: string) =>
  request.put(`${base}/api/takes/${take}/document`, {
    data: makeDocument(motion({ name })),
    headers: { 'if-match': `"${revision}"`, 'x-edit-id': randomUUID() },
  });
type Revisions = { revisions: { number: number; motions: number; at: string }[] };
const revisions = async (request: APIRequestContext, take: string, query = '') =>
  ((await (await request.get(`${base}/api/takes/${take}/revisions${query}`)).json()) as Revisions).revisions;

test('every revision stays readable, fifty at a time, even of a take that was put away', async ({
  request,
}) => {
  const { take } = await page(request);
  for (let k = 1; k <= 55; k++) expect((await put(request, take, k, `Card ${k}`)).status()).toBe(200);
  const newest = await revisions(request, take);
  expect(newest.map((r) => r.number)).toEqual(Array.from({ length: 50 }, (_, k) => 56 - k));
  expect(newest[0]).toMatchObject({ number: 56, motions: 1, at: expect.stringMatching(/^\d{4}-.*Z$/) });
  const rest = await revisions(request, take, `?before=${lastItem(newest).number}`);
  expect(rest.map((r) => r.number)).toEqual([6, 5, 4, 3, 2, 1]);
  expect(lastItem(rest).motions).toBe(0);
  const at = async (n: number | string) => request.get(`${base}/api/takes/${take}/revisions/${n}`);
  expect(
    ((await (await at(3)).json()) as { document: { motions: object[] } }).document.motions,
  ).toMatchObject([{ name: 'Card 2' }]);
  expect((await at(99)).status()).toBe(404);
  expect((await at('x')).status()).toBe(422);
  expect((await request.get(`${base}/api/takes/${take}/revisions?before=-1`)).status()).toBe(422);
  await request.delete(`${base}/api/takes/${take}`);
  expect((await at(3)).status()).toBe(200);
  expect((await request.get(`${base}/api/takes/${take}/revisions`)).status()).toBe(404);
});

test('a take says what it was made from; of another page it cannot be made', async ({ request }) => {
  const [one, other] = [await page(request), await page(request)];
  const make = (from: string, revision = 1) =>
    request.post(`${base}/api/pages/${one.id}/takes`, {
      data: { document: makeDocument(), madeFrom: { takeId: from, revision } },
    });
  const made = (await (await make(one.take)).json()) as { id: string; madeFrom: object; name: string };
  expect(made).toMatchObject({ madeFrom: { takeId: one.take, revision: 1 }, name: 'Take B' });
  expect((await make(other.take)).status()).toBe(404);
  expect((await make(one.take, 9)).status()).toBe(404);
  const away = async () =>
    (
      (await (await request.get(`${base}/api/pages/${one.id}/takes/away`)).json()) as {
        takes: { id: string }[];
      }
    ).takes;
  expect(await away()).toEqual([]);
  await request.delete(`${base}/api/takes/${made.id}`);
  expect(await away()).toMatchObject([{ id: made.id }]);
  await request.post(`${base}/api/takes/${made.id}/restore`);
  expect(await away()).toEqual([]);
});

test('pictures of a reference: only pictures, in the order of the page, served as what they are', async ({
  request,
}) => {
  const { id } = await page(request);
  const made = await request.post(`${base}/api/pages/${id}/references`, { data: { name: 'Idea' } });
  const set = (await made.json()) as { id: string };
  const add = (at: number | string, data: Buffer = PNG, type = 'image/png') =>
    request.post(`${base}/api/references/${set.id}/pictures?at=${at}`, {
      data,
      headers: { 'content-type': type },
    });
  expect((await add(900)).status()).toBe(201);
  const { pictures } = (await (await add(300)).json()) as { pictures: { id: string; at: number }[] };
  expect(pictures.map((p) => p.at)).toEqual([300, 900]);
  const refused = await add(100, Buffer.from('<html><script>alert(1)</script>'), 'image/png');
  expect([refused.status(), ((await refused.json()) as { detail: string }).detail]).toEqual([
    415,
    expect.stringContaining('PNG'),
  ]);
  expect((await add(-1)).status()).toBe(422);
  const shown = await request.get(`${base}/api/pictures/${itemAt(pictures, 0).id}`);
  expect(shown.headers()['content-type']).toBe('image/png');
  expect(shown.headers()['x-content-type-options']).toBe('nosniff');
  expect(Buffer.compare(await shown.body(), PNG)).toBe(0);
  const moved = await request.patch(`${base}/api/pictures/${itemAt(pictures, 0).id}`, { data: { at: 1200 } });
  expect(((await moved.json()) as typeof set & { pictures: object[] }).pictures).toMatchObject([
    { at: 900 },
    { at: 1200 },
  ]);
  expect((await request.delete(`${base}/api/pictures/${itemAt(pictures, 0).id}`)).status()).toBe(200);
  expect((await request.get(`${base}/api/pictures/${itemAt(pictures, 0).id}`)).status()).toBe(404);
  expect((await request.delete(`${base}/api/references/${set.id}`)).status()).toBe(204);
  const list = async () =>
    ((await (await request.get(`${base}/api/pages/${id}/references`)).json()) as { references: object[] })
      .references;
  expect(await list()).toEqual([]);
  expect((await request.post(`${base}/api/references/${set.id}/restore`)).status()).toBe(200);
  expect(await list()).toMatchObject([{ name: 'Idea', pictures: [{ at: 900 }] }]);
  for (let k = 0; k < 59; k++) await add(k);
  const full = await add(5000);
  expect([full.status(), ((await full.json()) as { detail: string }).detail]).toEqual([
    422,
    expect.stringContaining('at most 60 pictures'),
  ]);
});
