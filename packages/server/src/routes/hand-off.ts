/** The hand-off as files: the page with its style sheet linked, and everything else as it was brought. */
import { Router } from 'express';
import type pg from 'pg';
import { z } from 'zod';
import { zipSync } from 'fflate';
import {
  OLDER_FILE,
  RUNTIME_FILE,
  handOffCss,
  insertLastInHead,
  olderPlan,
  patchHtml,
  patchOf,
  readDocument,
  scriptText,
  slug,
  withPins,
} from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import { notFound, Problem } from '../http/problem.ts';
import { Id } from '@lyvek/api';
import { read } from '../http/validate.ts';
import type { Db } from '../store/database.ts';
import { layoutsOf } from '../store/layouts.ts';
import { filesOf, pageById } from '../store/pages.ts';
import { takeWithDocument } from '../store/takes.ts';
import { headLines, stylesheetPath } from '@lyvek/core';

const Query = z.object({
  width: z.coerce.number().int(),
  height: z.coerce.number().int(),
  /** with the script for browsers without scroll timelines */
  older: z.stringbool().default(false),
});

async function handOff(db: Db, takeId: string, { width, height, older }: z.infer<typeof Query>) {
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
  const title = `${page.name}. Lyvek, ${take.name}, rev ${take.revision}`;
  const { css, plan } = handOffCss(parsed.document, own, title, others, { older });
  const data = older ? olderPlan(parsed.document, withPins(own, parsed.document.pins)).plan : null;
  const script = scriptText(plan, title, data);
  const files = await filesOf(db, page.id);
  const sheet = stylesheetPath(page.entry, page.name);
  const moduleFile = stylesheetPath(page.entry, page.name, 'js');
  const entry = files.find((f) => f.path === page.entry)!;
  const html = insertLastInHead(
    patchHtml(Buffer.from(entry.bytes).toString('utf8'), patchOf(parsed.document, own.kept)).html,
    ...headLines(sheet.href, script === null ? null : moduleFile.href),
  ).html;
  return { page, css, html, sheet, files, script: script === null ? null : { ...moduleFile, text: script } };
}

/** `built` reads one of the built scripts. */
export function handOffRoutes(pool: pg.Pool, built: (file: string) => Buffer): Router {
  const routes = Router();
  routes.get('/takes/:id/hand-off.zip', async (req, res) => {
    const query = read(Query, req.query);
    const { page, css, html, sheet, files, script } = await handOff(pool, read(Id, req.params.id), query);
    const entries = Object.fromEntries(files.map((f) => [f.path, new Uint8Array(f.bytes)]));
    entries[page.entry] = new TextEncoder().encode(html);
    entries[sheet.path] = new TextEncoder().encode(css);
    if (script) {
      entries[script.path] = new TextEncoder().encode(script.text);
      entries[script.path.replace(script.href, RUNTIME_FILE)] = new Uint8Array(built('runtime.js'));
      if (query.older)
        entries[script.path.replace(script.href, OLDER_FILE)] = new Uint8Array(built('older.js'));
    }
    res.setHeader('Content-Disposition', `attachment; filename="${slug(page.name)}.zip"`);
    res.type('application/zip').send(Buffer.from(zipSync(entries, { level: 6 })));
  });
  /** The script that every hand-off with followed motions takes along. */
  routes.get('/runtime.js', (_req, res) => {
    res.type('text/javascript; charset=utf-8').send(built('runtime.js'));
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
