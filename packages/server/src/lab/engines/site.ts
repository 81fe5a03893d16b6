/**
 * The only thing that a browser of the lab reaches: a proxy on loopback that answers for one name, from the files of a page, and
 * refuses everything else, whatever the page asks for.
 */
import { createServer } from 'node:http';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import mime from 'mime-types';
import { lastItem } from '@lyvek/core';
import type { PageFiles } from '../page-files.ts';

/** Each page has a name of its own, so that nothing is remembered from one to the next. */
const toHost = (number: number): string => `page-${number}.test`;

export interface Site {
  /** `127.0.0.1:port` */
  proxy: string;
  /** The address at which these files are found from now on. */
  add(files: PageFiles): string;
  close(): void;
}

function safeDecode(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return path;
  }
}

function answer(
  pages: ReadonlyMap<string, PageFiles>,
  request: IncomingMessage,
  response: ServerResponse,
): void {
  const url = URL.canParse(request.url ?? '') ? new URL(request.url ?? '') : null;
  const files = url?.port === '' ? pages.get(url.hostname) : undefined;
  if (!url || !files) return void response.writeHead(403).end();
  const path = safeDecode(url.pathname.slice(1)) || files.entry;
  const body = files.bytesAt(path);
  if (!body) return void response.writeHead(404).end();
  const type = mime.contentType(lastItem(path.split('/'))) || 'application/octet-stream';
  response.writeHead(200, { 'content-type': type, 'cache-control': 'no-store' }).end(body);
}

export async function openSite(): Promise<Site> {
  const pages = new Map<string, PageFiles>();
  const server = createServer((request, response) => answer(pages, request, response));
  // Ways to anywhere else: encrypted pages, and sockets.
  server.on('connect', (_, socket) => socket.end('HTTP/1.1 403 Forbidden\r\n\r\n'));
  server.on('upgrade', (_, socket) => socket.destroy());
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  return {
    proxy: `127.0.0.1:${(server.address() as AddressInfo).port}`,
    add(files) {
      const host = toHost(pages.size);
      pages.set(host, files);
      return `http://${host}/${encodeURI(files.entry)}`;
    },
    close() {
      server.close();
      server.closeAllConnections();
    },
  };
}
