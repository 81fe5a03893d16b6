import express, { Router } from 'express';
import type { Request, Response } from 'express';
import type pg from 'pg';
import * as z from 'zod';
import { emptyDocument, LayoutSchema, shorten, wellFormed } from '@lyvek/core';
import { LIMITS } from '../add-page/limits.ts';
import { ImportLimit } from '../add-page/importer.ts';
import type { Importer } from '../add-page/importer.ts';
import type { Proving } from '../add-page/proved.ts';
import { notFound, Problem } from '../http/problem.ts';
import {
  FormerLayout,
  ImportProof,
  Id,
  Name,
  NameBody,
  NewLivePage,
  OutsideBody,
  Page,
  PageImport,
  PageWhole,
} from '@lyvek/api';
import { answer, read } from '../http/validate.ts';
import { inTransaction } from '../store/database.ts';
import { listLayouts, putLayout } from '../store/layouts.ts';
import {
  createLivePage,
  createPage,
  listFiles,
  findImportProof,
  pageById,
  formerLayout,
  forgetFormerLayout,
  renewCode,
  replaceFiles,
  renamePage,
  setPageDeleted,
  setPageOutside,
} from '../store/pages.ts';
import { projectById } from '../store/projects.ts';
import { createTake, listTakes } from '../store/takes.ts';

const AddPageQuery = z.object({ name: Name.optional(), entry: z.string().max(LIMITS.pathLength).optional() });
const Brought = Page.pick({ id: true, name: true, projectId: true }).extend({
  /** what of it could not be read, in a sentence */
  limit: z.string().optional(),
  /** what became of its own motions, in a sentence */
  proof: ImportProof.pick({ proved: true, message: true }).optional(),
});

/** `ownPorts`: where Lyvek itself is. */
export function pageRoutes(
  pool: pg.Pool,
  ownPorts: readonly number[],
  importer: Importer,
  proving: Proving,
): Router {
  const routes = Router();
  /** The uploaded page, unpacked elsewhere. Whoever goes away ends it. */
  const added = async (req: Request, res: Response, entry: string | undefined) => {
    const gone = new AbortController();
    res.on('close', () => gone.abort());
    const bytes = Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
    const type = String(req.headers['content-type'] ?? '');
    return { ...(await importer.run('unpack', { bytes, type, entry }, gone.signal)), signal: gone.signal };
  };
  const find = async (id: unknown) => {
    const page = await pageById(pool, read(Id, id));
    if (!page) throw notFound('page');
    return page;
  };

  /** Adds a page: a zip, or one HTML text. */
  routes.post(
    '/projects/:id/pages',
    express.raw({ type: () => true, limit: LIMITS.zipBytes }),
    async (req, res) => {
      const project = await projectById(pool, read(Id, req.params.id));
      if (!project) throw notFound('project');
      const { name, entry } = read(AddPageQuery, req.query);
      const { title, files, entry: found, signal } = await added(req, res, entry);
      // A page whose motions are too much to read is still a page: it comes without them, and that is said.
      let limit: string | undefined;
      const { document, proof } = await proving
        .import({ entry: found, files }, signal)
        .catch((error: unknown) => {
          if (!(error instanceof ImportLimit)) throw error;
          limit = `${error.message} The page was added without the motions of its own.`;
          return { document: null, proof: null };
        });
      const page = await inTransaction(pool, async (db) => {
        const called = shorten(wellFormed(title || name || '').trim(), 120).trim() || 'Untitled page';
        const made = await createPage(db, project.id, called, found, files, proof);
        await createTake(db, made.id, 'Take A', document ?? emptyDocument());
        return made;
      });
      answer(res, Brought, { ...page, ...(limit ? { limit } : {}), ...(proof ? { proof } : {}) }, 201);
    },
  );

  /** Brings another version of a page: its takes stay as they are. */
  routes.put(
    '/pages/:id/files',
    express.raw({ type: () => true, limit: LIMITS.zipBytes }),
    async (req, res) => {
      const page = await find(req.params.id);
      if (page.live)
        throw new Problem(409, 'Under development', 'This page has no files here; its own server shows it.');
      const { entry } = read(AddPageQuery, req.query);
      const { files, entry: found } = await added(req, res, entry);
      await inTransaction(pool, (db) => replaceFiles(db, page.id, found, files));
      answer(res, Page, await find(page.id));
    },
  );

  /** The page as it was measured before its files were replaced, as long as what its takes have lost is not settled. */
  routes.get('/pages/:id/former', async (req, res) => {
    const page = await find(req.params.id);
    answer(res, FormerLayout, { layout: await formerLayout(pool, page.id) });
  });
  routes.delete('/pages/:id/former', async (req, res) => {
    const page = await find(req.params.id);
    await forgetFormerLayout(pool, page.id);
    res.status(204).end();
  });

  /** Names a page under development on this machine. Its own server goes on showing it. */
  routes.post('/projects/:id/live-pages', async (req, res) => {
    const project = await projectById(pool, read(Id, req.params.id));
    if (!project) throw notFound('project');
    const { name, url } = read(NewLivePage, req.body);
    if (ownPorts.includes(Number(new URL(url).port || 80)))
      throw new Problem(422, 'This is Lyvek itself', 'Give the address of your own development server.');
    const page = await inTransaction(pool, async (db) => {
      const made = await createLivePage(db, project.id, name ?? new URL(url).host, url);
      await createTake(db, made.id, 'Take A', emptyDocument());
      return made;
    });
    answer(res, Page, page, 201);
  });

  /** Gives a page under development another pairing code, so that the old one lets nobody in any more. */
  routes.post('/pages/:id/code', async (req, res) => {
    const page = await find(req.params.id);
    if (!(await renewCode(pool, page.id))) throw notFound('page under development');
    answer(res, Page, await find(page.id));
  });

  routes.get('/pages/:id', async (req, res) => {
    const page = await find(req.params.id);
    const project = await projectById(pool, page.projectId);
    if (!project) throw notFound('page');
    answer(res, PageWhole, {
      page,
      project,
      takes: await listTakes(pool, page.id),
      layouts: await listLayouts(pool, page.id),
    });
  });

  /** What the page moves by its own CSS: what was read, what was left, and mistakes with what they were meant as. */
  routes.get('/pages/:id/reading', async (req, res) => {
    const page = await find(req.params.id);
    const nothing = { document: emptyDocument(), unsupported: [], mistakes: [] };
    const proof = await findImportProof(pool, page.id);
    const read = await importer
      .motions(page, () => listFiles(pool, page.id), proof?.left ?? [])
      .catch((error: unknown) => {
        if (error instanceof ImportLimit) return nothing;
        throw error;
      });
    answer(res, PageImport, { ...(read ?? nothing), proof });
  });

  routes.patch('/pages/:id', async (req, res) => {
    const page = await find(req.params.id);
    await renamePage(pool, page.id, read(NameBody, req.body).name);
    answer(res, Page, await find(page.id));
  });

  /** Lets a page load files from other hosts while it is previewed, or from its own only. */
  routes.put('/pages/:id/outside', async (req, res) => {
    const id = read(Id, req.params.id);
    if (!(await setPageOutside(pool, id, read(OutsideBody, req.body).outside))) throw notFound('page');
    answer(res, Page, await find(id));
  });

  routes.delete('/pages/:id', async (req, res) => {
    if (!(await setPageDeleted(pool, read(Id, req.params.id), true))) throw notFound('page');
    res.status(204).end();
  });

  routes.post('/pages/:id/restore', async (req, res) => {
    const id = read(Id, req.params.id);
    if (!(await setPageDeleted(pool, id, false))) throw notFound('page');
    answer(res, Page, await find(id));
  });

  /** Stores a measured layout; `If-Match` names the page content that was measured. */
  routes.put('/pages/:id/layouts', async (req, res) => {
    const page = await find(req.params.id);
    if (req.headers['if-match'] !== `"${page.contentHash}"`)
      throw new Problem(
        412,
        'Another page content',
        'The page has changed since it was measured. Measure it again.',
      );
    await putLayout(pool, page.id, page.contentHash, read(LayoutSchema, req.body, 'layout'));
    res.status(204).end();
  });

  return routes;
}
