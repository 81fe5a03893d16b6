import { expect, test } from '@jest/globals';
import type { Request, Response } from 'express';
import { Connect } from './connect.ts';

const CODE = 'abcdefghjkmnpqrstuvwxyz234';
const right = { id: '1', live: { url: 'http://localhost:3000', code: CODE } };
const db = {
  query: (_sql: string, [code]: unknown[]) => Promise.resolve({ rows: code === CODE ? [right] : [] }),
};
const connect = () =>
  new Connect({ db: db as never, origins: ['http://127.0.0.1:4870'], script: () => 'go();' });

async function ask(to: Connect, code: string, referer?: string): Promise<{ status: number; text: string }> {
  const seen = { status: 200, text: '' };
  const res = {
    setHeader: () => res,
    status: (n: number) => ((seen.status = n), res),
    send: (text: string) => ((seen.text = text), res),
  };
  const req = { method: 'GET', path: `/connect/${code}.js`, headers: referer ? { referer } : {} };
  await to.serve(req as unknown as Request, res as unknown as Response);
  return seen;
}

test('the right code gets the script, a wrong one a hint', async () => {
  const to = connect();
  expect((await ask(to, CODE)).text).toContain('go();');
  expect(await ask(to, CODE.replace('a', 'b'))).toMatchObject({ status: 404 });
});

test('a page that tries codes is stopped, and keeps no page of another origin out', async () => {
  const to = connect();
  const wrong = (i: number) => CODE.slice(0, -2) + String(i).padStart(2, '0');
  const evil = 'http://localhost:6666/guess.html';
  for (let i = 0; i < 30; i++) expect((await ask(to, wrong(i), evil)).status).toBe(404);
  expect((await ask(to, wrong(31), evil)).status).toBe(429);
  expect((await ask(to, CODE, evil)).status).toBe(429);
  expect((await ask(to, CODE, 'http://localhost:3000/')).status).toBe(200);
  expect((await ask(to, CODE)).status).toBe(200);
});
