import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { request } from 'node:http';
import { filesInMemory } from '../page-files.ts';
import { openSite } from './site.ts';
import type { Site } from './site.ts';

let site: Site;
beforeAll(async () => {
  site = await openSite();
});
afterAll(() => site.close());

/** What a browser gets that asks for an address by way of the proxy. */
const asked = (path: string, method = 'GET'): Promise<{ status: number; text: string; type: string }> =>
  new Promise((told, failed) => {
    const [host = '', port = ''] = site.proxy.split(':');
    const sent = request({ host, port: Number(port), path, method }, (response) => {
      let text = '';
      response.on('data', (part: Buffer) => (text += part.toString()));
      response.on('end', () =>
        told({ status: response.statusCode ?? 0, text, type: response.headers['content-type'] ?? '' }),
      );
    });
    sent.on('connect', (response, socket) => {
      socket.destroy();
      told({ status: response.statusCode ?? 0, text: '', type: '' });
    });
    sent.on('error', failed);
    sent.end();
  });
const page = (text: string) => filesInMemory('a b.html', new Map([['a b.html', Buffer.from(text)]]));

test('each page has a name of its own, and answers with its files alone', async () => {
  const [one, two] = [site.add(page('one')), site.add(page('two'))];
  expect(new URL(one).host).not.toBe(new URL(two).host);
  expect(await asked(one)).toMatchObject({ status: 200, text: 'one', type: 'text/html; charset=utf-8' });
  expect(await asked(`${new URL(two).origin}/`)).toMatchObject({ status: 200, text: 'two' });
  expect(await asked(new URL('/c.css', one).href)).toMatchObject({ status: 404 });
});

test('whatever else a page asks for is refused', async () => {
  const { host } = new URL(site.add(page('one')));
  for (const url of [
    'http://127.0.0.1/',
    'http://localhost:22/',
    'http://example.org/',
    `http://${host}:81/`,
    '/a b.html'.replace(' ', '%20'),
  ])
    expect([url, (await asked(url)).status]).toEqual([url, 403]);
  expect((await asked(`${host}:443`, 'CONNECT')).status).toBe(403);
});
