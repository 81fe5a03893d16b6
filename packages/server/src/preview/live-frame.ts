/**
 * The document around a page under development: ours, same-origin, with nothing in it but the frame. What may be framed is the policy of the
 * framing document, so the other dev server is named here, for this page only, and the workbench itself frames nothing but its own hosts.
 */
import { createHash } from 'node:crypto';
import type { RequestHandler } from 'express';
import type { Db } from '../store/database.ts';
import { pageById } from '../store/pages.ts';

const STYLE =
  'html, body, iframe { margin: 0; border: 0; width: 100%; height: 100%; display: block; overflow: hidden; }';
const STYLE_HASH = createHash('sha256').update(STYLE).digest('base64');

const attribute = (text: string) => text.replaceAll('&', '&amp;').replaceAll('"', '&quot;');

/** `GET /live/<page id>`. Behind the key: the address of somebody's server is nobody else's business. */
export const liveFrame =
  (db: Db): RequestHandler<{ id: string }> =>
  async (req, res, next) => {
    const page = /^[0-9a-f-]{36}$/.test(req.params.id) ? await pageById(db, req.params.id) : undefined;
    if (!page?.live) return next();
    const { origin } = new URL(page.live.url);
    res.setHeader(
      'Content-Security-Policy',
      `default-src 'none'; frame-src ${origin}; style-src 'sha256-${STYLE_HASH}'; frame-ancestors 'self'`,
    );
    res.setHeader('Cache-Control', 'no-store');
    res
      .type('html')
      .send(
        `<!doctype html><html lang="en"><title>Page under development</title><style>${STYLE}</style><iframe title="Page under development" src="${attribute(page.live.url)}"></iframe></html>`,
      );
  };
