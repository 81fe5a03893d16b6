import { Router } from 'express';
import type pg from 'pg';
import * as z from 'zod';
import { readDocument, DocumentSchema } from '@lyvek/core';
import { found, notFound, Problem } from '../http/problem.ts';
import {
  Id,
  NameBody,
  NewTake,
  Revision,
  Revisions,
  RevisionsQuery,
  Take,
  TakeDocument,
  Takes,
} from '@lyvek/api';
import { answer, IfMatch, read } from '../http/validate.ts';
import { inTransaction } from '../store/database.ts';
import { pageById } from '../store/pages.ts';
import {
  appendRevision,
  createTake,
  listRevisions,
  nextTakeName,
  renameTake,
  setTakeDeleted,
  takeAt,
  takeById,
  takesAway,
  takeWithDocument,
} from '../store/takes.ts';
import type { TakeRow } from '../store/takes.ts';

const EditHeaders = z.object({
  'if-match': IfMatch,
  'x-edit-id': z.uuid(),
});

const RevisionNumber = z.coerce.number().int().min(1).max(2_000_000_000);
const MAX_REVISIONS = 50;

/** With its document read, or why that cannot be. */
function readable(take: (TakeRow & { document: unknown }) | undefined, what: string) {
  if (!take) throw notFound(what);
  const parsed = readDocument(take.document);
  if (!parsed.ok)
    throw new Problem(
      500,
      'Unreadable take',
      `Revision ${take.revision} cannot be read: ${parsed.problems[0]!.message}. It is kept as it is.`,
      { problems: parsed.problems },
    );
  return { ...take, document: parsed.document };
}

export function takeRoutes(pool: pg.Pool): Router {
  const routes = Router();

  routes.post('/pages/:id/takes', async (req, res) => {
    const page = await pageById(pool, read(Id, req.params.id));
    if (!page) throw notFound('page');
    const { name, document, madeFrom } = read(NewTake, req.body, 'take');
    const take = await inTransaction(pool, async (db) => {
      const origin = madeFrom && (await takeAt(db, madeFrom.takeId, madeFrom.revision));
      if (madeFrom && origin?.pageId !== page.id) throw notFound('take that it is made from');
      return createTake(db, page.id, name ?? (await nextTakeName(db, page.id)), document, madeFrom);
    });
    answer(res, Take, take, 201);
  });

  /** Takes that were put away. */
  routes.get('/pages/:id/takes/away', async (req, res) => {
    const page = await pageById(pool, read(Id, req.params.id));
    if (!page) throw notFound('page');
    answer(res, Takes, { takes: await takesAway(pool, page.id) });
  });

  routes.get('/takes/:id/revisions', async (req, res) => {
    const take = await takeById(pool, read(Id, req.params.id));
    if (!take) throw notFound('take');
    const { before } = read(RevisionsQuery, req.query);
    answer(res, Revisions, { revisions: await listRevisions(pool, take.id, before, MAX_REVISIONS) });
  });

  routes.get('/takes/:id/revisions/:number', async (req, res) => {
    const number = read(RevisionNumber, req.params.number);
    answer(res, TakeDocument, readable(await takeAt(pool, read(Id, req.params.id), number), 'revision'));
  });

  routes.get('/takes/:id', async (req, res) => {
    const take = readable(await takeWithDocument(pool, read(Id, req.params.id)), 'take');
    res.setHeader('ETag', `"${take.revision}"`);
    answer(res, TakeDocument, take);
  });

  /** Appends a revision. 412 when another one was faster. */
  routes.put('/takes/:id/document', async (req, res) => {
    const headers = read(EditHeaders, req.headers);
    const document = read(DocumentSchema, req.body, 'document');
    const result = await appendRevision(
      pool,
      read(Id, req.params.id),
      headers['if-match'],
      headers['x-edit-id'],
      document,
    );
    if (result.kind === 'gone') throw notFound('take');
    if (result.kind === 'behind')
      throw new Problem(412, 'Changed elsewhere', 'This take was changed in another tab or window.', {
        revision: result.revision,
      });
    res.setHeader('ETag', `"${result.revision}"`);
    answer(res, Revision, { revision: result.revision });
  });

  routes.patch('/takes/:id', async (req, res) => {
    const id = read(Id, req.params.id);
    if (!(await renameTake(pool, id, read(NameBody, req.body).name))) throw notFound('take');
    answer(res, Take, found(await takeById(pool, id), 'take'));
  });

  routes.delete('/takes/:id', async (req, res) => {
    if (!(await setTakeDeleted(pool, read(Id, req.params.id), true))) throw notFound('take');
    res.status(204).end();
  });

  routes.post('/takes/:id/restore', async (req, res) => {
    const id = read(Id, req.params.id);
    if (!(await setTakeDeleted(pool, id, false))) throw notFound('take');
    answer(res, Take, found(await takeById(pool, id), 'take'));
  });

  return routes;
}
