/**
 * Who may speak to this server: a browser that has opened Lyvek itself. The Host check stops DNS rebinding, the Origin and
 * Sec-Fetch-Site checks stop other sites and the imported pages.
 */
import { present } from '@lyvek/core';
import type { RequestHandler } from 'express';
import { Problem, sendProblem } from './problem.ts';

export interface Addresses {
  /** ports under which the application itself is opened */
  ports: readonly number[];
}

const APP_HOSTS = ['127.0.0.1', 'localhost', '[::1]'];
const TOKEN_HOST = /^([0-9a-f]{32})\.localhost$/;

const split = (host: string) => present(/^(.*?)(?::(\d+))?$/.exec(host.toLowerCase()));

/** The page token in a host name such as `<token>.localhost:4870`, or null. */
export function tokenOfHost(host: string | undefined): string | null {
  const [, name] = split(host ?? '');
  return TOKEN_HOST.exec(present(name))?.[1] ?? null;
}

export function isAppHost(host: string | undefined, { ports }: Addresses): boolean {
  const [, name, port] = split(host ?? '');
  return APP_HOSTS.includes(present(name)) && ports.includes(Number(port ?? 80));
}

/** Lets only the application's own pages and tools without a browser (which send none of these headers) through. */
export const guardApi =
  (addresses: Addresses): RequestHandler =>
  (req, res, next) => {
    const refuse = (detail: string) => sendProblem(res, new Problem(403, 'Refused', detail));
    if (!isAppHost(req.headers.host, addresses))
      return refuse('This host name is not Lyvek’s. Open it as http://127.0.0.1 with its port.');
    const { origin } = req.headers;
    if (origin !== undefined && !isOwnOrigin(origin, addresses))
      return refuse('Requests from other origins are refused.');
    const site = req.headers['sec-fetch-site'];
    if (site !== undefined && site !== 'same-origin' && site !== 'none')
      return refuse('Requests from other sites are refused.');
    next();
  };

function isOwnOrigin(origin: string, addresses: Addresses): boolean {
  const [scheme, host] = origin.split('://');
  return scheme === 'http' && isAppHost(host, addresses);
}
