/** The finished page, as a host of files gives it. */
import type { APIRequestContext, Page } from '@playwright/test';
import { unzipSync } from 'fflate';

type Files = Record<string, Uint8Array>;

/** The files of the hand-off of a page’s first take. */
export async function getHandOff(request: APIRequestContext, pageId: string): Promise<Files> {
  const { takes } = await (await request.get(`/api/pages/${pageId}`)).json();
  const zip = await request.get(`/api/takes/${takes[0].id}/hand-off.zip?width=1280&height=800`);
  return unzipSync(new Uint8Array(await zip.body()));
}

const TYPES: Record<string, string> = {
  html: 'text/html',
  css: 'text/css',
  js: 'text/javascript',
  png: 'image/png',
  webm: 'video/webm',
};

/** Under `http://handed.off/`; by parts where that is asked for, as a video is sought. */
export const serveFiles = (site: Page, files: Files): Promise<unknown> =>
  site.route('http://handed.off/**', (route) => {
    const path = new URL(route.request().url()).pathname.slice(1) || 'index.html';
    const body = files[path];
    const contentType = TYPES[path.split('.').at(-1) ?? ''] ?? 'text/plain';
    if (!body) return route.fulfill({ status: 404 });
    const asked = /^bytes=(\d+)-/.exec(route.request().headers().range ?? '');
    if (!asked) return route.fulfill({ body: Buffer.from(body), contentType });
    const from = Number(asked[1]);
    const headers = {
      'content-range': `bytes ${from}-${body.length - 1}/${body.length}`,
      'accept-ranges': 'bytes',
    };
    return route.fulfill({ status: 206, body: Buffer.from(body.subarray(from)), contentType, headers });
  });
