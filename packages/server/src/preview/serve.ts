/**
 * Serves a brought page under a host (or path) that nobody can guess, as an opaque origin: its own fonts, modules and images
 * load, and it reaches neither the API nor any storage.
 */
import type { Request, Response } from 'express';
import mime from 'mime-types';
import { insertFirstInHead } from '@lyvek/core';
import type { Db } from '../store/database.ts';
import type { Proof, Proofs } from './proofs.ts';
import { ImportLimit } from '../bring/importer.ts';
import type { Importer } from '../bring/importer.ts';
import { fileOf, filesOf, pageByToken } from '../store/pages.ts';
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

function setHeaders(res: Response, framedBy: readonly string[]): void {
  res.setHeader('Content-Security-Policy', `sandbox allow-scripts; frame-ancestors ${framedBy.join(' ')}`);
  // The page's own origin is opaque, so even its own files are foreign to it.
  res.setHeader('Access-Control-Allow-Origin', '*');
  res.setHeader('Cross-Origin-Resource-Policy', 'cross-origin');
  res.setHeader('X-Content-Type-Options', 'nosniff');
  res.setHeader('Referrer-Policy', 'no-referrer');
  res.setHeader('Cache-Control', 'no-cache');
}

const isHtml = (path: string) => /\.(html?|xhtml)$/i.test(path);

/** `</script` cannot stand inside an inline script. */
const inlineProbe = (source: string) =>
  `<script data-lyvek-probe>${source.replaceAll('</script', '<\\/script')}</script>`;

export async function servePreview(
  req: Request,
  res: Response,
  token: string,
  path: string,
  options: PreviewOptions,
): Promise<void> {
  setHeaders(res, options.framedBy);
  const proof = options.proofs.get(token);
  if (proof) return serveProof(res, decode(path), proof, options);
  const page = await pageByToken(options.db, token);
  if (!page) return void res.status(404).type('text').send('This page is no longer here.');
  const wanted = decode(path);
  const candidates =
    wanted === '' ? [page.entry] : [wanted, `${wanted.replace(/\/$/, '')}/index.html`.replace(/^\//, '')];
  for (const candidate of candidates) {
    const file = await fileOf(options.db, page.id, candidate);
    if (!file) continue;
    const bare = isText(candidate) ? await withoutTaken(options, page, candidate) : undefined;
    const type = mime.contentType(candidate.split('/').at(-1)!) || 'application/octet-stream';
    res.setHeader('Content-Type', type);
    if (bare !== undefined && !isHtml(candidate)) return void res.send(bare);
    if (!isHtml(candidate)) {
      res.setHeader('ETag', `"${file.hash.slice(0, 32)}"`);
      if (req.fresh) return void res.status(304).end();
      return void res.send(file.bytes);
    }
    return void res.send(
      insertFirstInHead(bare ?? file.bytes.toString('utf8'), inlineProbe(options.probe())),
    );
  }
  res.status(404).type('text').send(`${wanted} was not brought along with this page.`);
}

/** A finished hand-off, with the probe’s eyes in front. */
function serveProof(res: Response, path: string, { entry, files }: Proof, options: PreviewOptions): void {
  const found = path === '' ? entry : path;
  const bytes = files.get(found);
  if (!bytes) return void res.status(404).type('text').send(`${found} is not part of this hand-off.`);
  res.setHeader('Content-Type', mime.contentType(found.split('/').at(-1)!) || 'application/octet-stream');
  const body = Buffer.from(bytes);
  if (!isHtml(found)) return void res.send(body);
  return void res.send(insertFirstInHead(body.toString('utf8'), inlineProbe(options.probe())));
}

const isText = (path: string) => isHtml(path) || /\.css$/i.test(path);

/** The file’s text without what takes of the page have taken over; undefined where nothing is. */
async function withoutTaken(
  { db, importer }: PreviewOptions,
  page: PageRow,
  path: string,
): Promise<string | undefined> {
  const taken = await takenBy(db, page.id);
  const texts = await importer.without(page, () => filesOf(db, page.id), taken).catch((error: unknown) => {
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
