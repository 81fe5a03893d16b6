/** The hand-off as files: the page with its style sheet linked, and everything else as it was brought. */
import { Router } from 'express';
import type pg from 'pg';
import { z } from 'zod';
import { zipSync } from 'fflate';
import { handOffCss, insertLastInHead, patchHtml, patchOf, readDocument, slug } from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import { notFound, Problem } from '../http/problem.ts';
import { Id } from '@lyvek/api';
import { read } from '../http/validate.ts';
import type { Db } from '../store/database.ts';
import { layoutsOf } from '../store/layouts.ts';
import { filesOf, pageById } from '../store/pages.ts';
import { takeWithDocument } from '../store/takes.ts';
import { stylesheetPath } from '@lyvek/core';

const Query = z.object({ width: z.coerce.number().int(), height: z.coerce.number().int() });

async function handOff(db: Db, takeId: string, width: number, height: number) {
  const take = await takeWithDocument(db, takeId);
  const page = take && (await pageById(db, take.pageId));
  if (!take || !page) throw notFound('take');
  const parsed = readDocument(take.document);
  if (!parsed.ok) throw new Problem(500, 'Unreadable take', 'This take does not match the document format.');
  const layouts = await layoutsOf(db, page.id);
  const own = layouts.find((l) => l.viewport.width === width && l.viewport.height === height);
  if (!own)
    throw new Problem(
      409,
      'Not measured',
      `The page has not been measured at ${width} × ${height}. Open it in the Rundown once.`,
    );
  const others = layouts.filter((l: Layout) => l !== own);
  const { css } = handOffCss(
    parsed.document,
    own,
    `${page.name}. Lyvek, ${take.name}, rev ${take.revision}`,
    others,
  );
  const files = await filesOf(db, page.id);
  const sheet = stylesheetPath(page.entry, page.name);
  const entry = files.find((f) => f.path === page.entry)!;
  const html = insertLastInHead(
    patchHtml(Buffer.from(entry.bytes).toString('utf8'), patchOf(parsed.document, own.kept)).html,
    `<link rel="stylesheet" href="${sheet.href}">`,
  ).html;
  return { page, css, html, sheet, files };
}

export function handOffRoutes(pool: pg.Pool): Router {
  const routes = Router();
  routes.get('/takes/:id/hand-off.zip', async (req, res) => {
    const { width, height } = read(Query, req.query);
    const { page, css, html, sheet, files } = await handOff(pool, read(Id, req.params.id), width, height);
    const entries = Object.fromEntries(files.map((f) => [f.path, new Uint8Array(f.bytes)]));
    entries[page.entry] = new TextEncoder().encode(html);
    entries[sheet.path] = new TextEncoder().encode(css);
    res.setHeader('Content-Disposition', `attachment; filename="${slug(page.name)}.zip"`);
    res.type('application/zip').send(Buffer.from(zipSync(entries, { level: 6 })));
  });
  /** The page's HTML as it was brought, for showing the change. */
  routes.get('/pages/:id/html', async (req, res) => {
    const page = await pageById(pool, read(Id, req.params.id));
    if (!page) throw notFound('page');
    const file = (await filesOf(pool, page.id)).find((f) => f.path === page.entry)!;
    res.type('text/plain; charset=utf-8').send(Buffer.from(file.bytes));
  });
  return routes;
}
