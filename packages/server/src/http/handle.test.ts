import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { get } from 'node:http';
import type { IncomingMessage, Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import express, { Router } from 'express';
import pino from 'pino';
import * as z from 'zod';
import { createClient } from '@lyvek/api';
import type { Route } from '@lyvek/api';
import { handle } from './handle.ts';
import { problems } from './problem.ts';

const ID = '11111111-1111-4111-8111-111111111111';
const routes = {
  read: {
    method: 'GET',
    path: '/things/:id/parts/:number',
    summary: 'reads',
    query: z.object({ from: z.coerce.number().default(3), deep: z.stringbool().optional() }),
    answer: z.object({ id: z.string(), number: z.string(), from: z.number(), deep: z.boolean().optional() }),
  },
  change: {
    method: 'PUT',
    path: '/things/:id',
    summary: 'changes',
    headers: {
      base: {
        name: 'If-Match',
        summary: 'its revision',
        schema: z
          .string()
          .regex(/^"\d+"$/)
          .transform((tag) => Number(tag.slice(1, -1))),
        write: (n: number) => `"${n}"`,
      },
    },
    body: z.strictObject({ name: z.string().min(1, 'a name is needed') }),
    status: 201,
    answer: z.object({ base: z.number(), name: z.string() }),
  },
  upload: {
    method: 'POST',
    path: '/things/:id/bytes',
    summary: 'takes bytes',
    body: { types: ['text/plain'], max: 10 },
    answer: z.object({ size: z.number() }),
  },
  remove: { method: 'DELETE', path: '/things/:id', summary: 'removes' },
  shared: {
    method: 'GET',
    path: '/shared/:id',
    summary: 'what many read',
    answer: z.object({ made: z.number() }),
  },
  file: { method: 'GET', path: '/file', summary: 'a file', answer: { type: 'text/plain' } },
} as const satisfies Record<string, Route>;

let server: Server;
let base = '';
const send = (path: string, init: RequestInit) => fetch(base + path, init);
const client = createClient(routes, async (path, init) => {
  const response = await send(path, init);
  if (!response.ok)
    throw new Error(`${response.status} ${((await response.json()) as { detail: string }).detail}`);
  return response;
});

/** What the shared answer hangs on, and how often it has been made. */
let state: string | undefined = 'a';
let made = 0;
let fails = false;

beforeAll(async () => {
  const router = Router();
  handle(
    router,
    routes.shared,
    async () => {
      const now = ++made;
      await new Promise((go) => setImmediate(go));
      if (fails) throw new Error('not this time');
      return { made: now };
    },
    { state: () => Promise.resolve(state) },
  );
  handle(
    router,
    routes.read,
    ({ id, number, from, deep }) => ({ id, number, from, deep, secret: 'x' }) as never,
  );
  handle(router, routes.change, ({ base, body }) => ({ base, name: body.name }));
  handle(router, routes.upload, ({ body }) => ({ size: body.length }));
  handle(router, routes.remove, () => undefined);
  handle(router, routes.file, (_, { res }) => void res.type('text/plain').send('whole'));
  const app = express();
  app.set('query parser', 'simple');
  app.use(express.json(), router, problems(pino({ level: 'silent' })));
  await new Promise<void>((ready) => (server = app.listen(0, '127.0.0.1', () => ready())));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise<void>((done) => server.close(() => done())));

describe('a contract', () => {
  test('path and query arrive as they were given, defaults are filled in, and what is not promised stays here', async () => {
    expect(await client.read({ id: ID, number: '7/8 ü' })).toEqual({ id: ID, number: '7/8 ü', from: 3 });
    expect(await client.read({ id: ID, number: '1', from: 9, deep: true })).toMatchObject({
      from: 9,
      deep: true,
    });
  });
  test('headers are values on both sides, and the status is the promised one', async () => {
    expect(await client.change({ id: ID, base: 7, body: { name: 'New' } })).toEqual({ base: 7, name: 'New' });
    const sent = { method: 'PUT', headers: { 'Content-Type': 'application/json', 'If-Match': '"7"' } };
    expect((await send(`/things/${ID}`, { ...sent, body: '{"name":"a"}' })).status).toBe(201);
  });
  test('bytes come whole, and not above their limit', async () => {
    const text = (s: string) => new Blob([s], { type: 'text/plain' });
    expect(await client.upload({ id: ID, body: text('12345') })).toEqual({ size: 5 });
    await expect(client.upload({ id: ID, body: text('12345678901') })).rejects.toThrow(/^413 /);
  });
  test('nothing is answered with 204, and what is no JSON as it is', async () => {
    expect((await send(`/things/${ID}`, { method: 'DELETE' })).status).toBe(204);
    expect(await client.remove({ id: ID })).toBeUndefined();
    expect(await (await client.file()).text()).toBe('whole');
  });
  test.each<[string, () => Promise<unknown>, RegExp]>([
    ['an id that is none', () => client.remove({ id: 'x' }), /^422 .*uuid/i],
    ['a body', () => client.change({ id: ID, base: 1, body: { name: '' } }), /^422 name: a name is needed/],
    ['a header', () => client.change({ id: ID, base: NaN, body: { name: 'a' } }), /^422 /],
    ['a query', () => client.read({ id: ID, number: '1', from: NaN }), /^422 from/],
  ])('%s that does not fit is refused', async (_what, ask, why) => {
    await expect(ask()).rejects.toThrow(why);
  });
});

describe('an answer that many ask for', () => {
  const ask = () => client.shared({ id: ID });
  /** As a browser asks: `fetch` of Node says that nothing may be kept. */
  const statusFor = (tag: string) =>
    new Promise<number | undefined>((done, fail) => {
      const answered = (res: IncomingMessage) => {
        res.resume();
        res.on('end', () => done(res.statusCode));
      };
      get(`${base}/shared/${ID}`, { headers: { 'If-None-Match': tag } }, answered).on('error', fail);
    });
  test('is made once for all who ask until something of it changes', async () => {
    const first = await Promise.all(Array.from({ length: 20 }, ask));
    expect(new Set(first.map((a) => a.made)).size).toBe(1);
    expect(await ask()).toEqual(first[0]);
    state = 'b';
    expect((await ask()).made).toBe(first[0]!.made + 1);
  });
  test('is not sent again to who has it', async () => {
    state = 'c';
    const tag = (await send(`/shared/${ID}`, {})).headers.get('etag')!;
    expect(await statusFor(tag)).toBe(304);
    state = 'd';
    expect(await statusFor(tag)).toBe(200);
  });
  test('that could not be made is made when it is asked for again, and without a state every time', async () => {
    state = 'e';
    fails = true;
    await expect(ask()).rejects.toThrow(/^500 /);
    fails = false;
    const { made: now } = await ask();
    expect((await ask()).made).toBe(now);
    state = undefined;
    expect((await ask()).made).toBe(now + 1);
  });
});
