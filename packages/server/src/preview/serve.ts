/**
 * Serves a brought page under a host (or path) that nobody can guess, as an opaque origin: its own fonts, modules and images
 * load, and it reaches neither the API nor any storage.
 */
import { randomBytes } from 'node:crypto';
import type { Request, Response } from 'express';
import mime from 'mime-types';
import { insertFirstInHead, lastItem } from '@lyvek/core';
import { tokenOfHost } from '../http/guard.ts';
import { sendBytes } from '../http/send-bytes.ts';
import type { Db } from '../store/database.ts';
import type { Proof, Proofs } from './proofs.ts';
import { ImportLimit } from '../add-page/importer.ts';
import type { Importer } from '../add-page/importer.ts';
import { toFile, listFiles, pageByToken } from '../store/pages.ts';
import type { PageRow } from '../store/pages.ts';
import { takenBy } from '../store/takes.ts';

export interface PreviewOptions {
  db: Db;
  /** source of the probe, read anew where it may change */
  probe: () => string;
  proofs: Proofs;
  importer: Importer;
  /** origins that may frame a preview */
  framedBy: readonly string[];
}

function setHeaders(res: Response): void {
  // The page's own origin is opaque, so even its own files are foreign to it.
  res.setHeader('Access-Control-Allow-Origin', '*');
  res.setHeader('Cross-Origin-Resource-Policy', 'cross-origin');
  res.setHeader('X-Content-Type-Options', 'nosniff');
  res.setHeader('Referrer-Policy', 'no-referrer');
  res.setHeader('Cache-Control', 'no-cache');
}

interface Reach {
  /** files of other hosts too */
  outside: boolean;
  /** where its own files are */
  own: string;
  /** the only script that runs, by its nonce; null: all of them */
  nonce: string | null;
}

/** What a page may reach: its own files, never another service of this machine, unless its user says otherwise. */
function policyFor({ outside, own, nonce }: Reach, framedBy: readonly string[]): string {
  return [
    'sandbox allow-scripts',
    `frame-ancestors ${framedBy.join(' ')}`,
    ...(outside
      ? []
      : [`default-src ${own} data: blob: 'unsafe-inline' 'unsafe-eval'`, `form-action ${own}`]),
    ...(nonce === null ? [] : [`script-src 'nonce-${nonce}'`]),
  ].join('; ');
}

/** The folder of the page as a source of a policy: its host, or the path form of it. */
const pickOwn = (req: Request, token: string): string =>
  `http://${req.headers.host}${tokenOfHost(req.headers.host) ? '' : `/preview/${token}/`}`;

const isHtml = (path: string) => /\.(html?|xhtml)$/i.test(path);

/** `</script` cannot stand inside an inline script. */
const inlineProbe = (source: string, nonce: string | null) =>
  `<script data-lyvek-probe${nonce === null ? '' : ` nonce="${nonce}"`}>${source.replaceAll('</script', '<\\/script')}</script>`;

export async function servePreview(
  req: Request,
  res: Response,
  token: string,
  path: string,
  options: PreviewOptions,
): Promise<void> {
  setHeaders(res);
  // Where a page’s own scripts keep it from answering, it can be looked at without them.
  const nonce = req.query.scripts === 'off' ? randomBytes(16).toString('base64url') : null;
  const allow = (outside: boolean) =>
    res.setHeader(
      'Content-Security-Policy',
      policyFor({ outside, own: pickOwn(req, token), nonce }, options.framedBy),
    );
  const proof = options.proofs.get(token);
  if (proof) {
    allow(proof.outside);
    return serveProof(req, res, decode(path), proof, options);
  }
  const page = await pageByToken(options.db, token);
  allow(page?.outside ?? false);
  if (!page) return void res.status(404).type('text').send('This page is no longer here.');
  const wanted = decode(path);
  const candidates =
    wanted === '' ? [page.entry] : [wanted, `${wanted.replace(/\/$/, '')}/index.html`.replace(/^\//, '')];
  for (const candidate of candidates) {
    const file = await toFile(options.db, page.id, candidate);
    if (!file) continue;
    const bare = isText(candidate) ? await withoutTaken(options, page, candidate) : undefined;
    const type = mime.contentType(lastItem(candidate.split('/'))) || 'application/octet-stream';
    res.setHeader('Content-Type', type);
    if (bare !== undefined && !isHtml(candidate)) return void res.send(bare);
    if (!isHtml(candidate)) {
      res.setHeader('ETag', `"${file.hash.slice(0, 32)}"`);
      if (req.fresh) return void res.status(304).end();
      return sendBytes(req, res, file.bytes);
    }
    return void res.send(
      insertFirstInHead(bare ?? file.bytes.toString('utf8'), inlineProbe(options.probe(), nonce)),
    );
  }
  res.status(404).type('text').send(`${wanted} was not added with this page.`);
}

/** A finished hand-off, with the probe’s eyes in front. */
function serveProof(
  req: Request,
  res: Response,
  path: string,
  { entry, files }: Proof,
  options: PreviewOptions,
): void {
  const found = path === '' ? entry : path;
  const bytes = files.get(found);
  if (!bytes) return void res.status(404).type('text').send(`${found} is not part of this hand-off.`);
  res.setHeader('Content-Type', mime.contentType(lastItem(found.split('/'))) || 'application/octet-stream');
  const body = Buffer.from(bytes);
  if (!isHtml(found)) return sendBytes(req, res, body);
  return void res.send(insertFirstInHead(body.toString('utf8'), inlineProbe(options.probe(), null)));
}

const isText = (path: string) => isHtml(path) || /\.css$/i.test(path);

/** The file’s text without what takes of the page have taken over; undefined where nothing is. */
async function withoutTaken(
  { db, importer }: PreviewOptions,
  page: PageRow,
  path: string,
): Promise<string | undefined> {
  const taken = await takenBy(db, page.id);
  const texts = await importer
    .without(page, () => listFiles(db, page.id), taken)
    .catch((error: unknown) => {
      // Too much to read by now: the page is shown as it was brought.
      if (error instanceof ImportLimit) return null;
      throw error;
    });
  return texts?.get(path);
}

function decode(path: string): string {
  try {
    return decodeURIComponent(path.replace(/^\/+/, ''));
  } catch {
    return path;
  }
}
