import { Router } from 'express';
import type pg from 'pg';
import { z } from 'zod';
import { readDocument, DocumentSchema } from '@lyvek/core';
import { notFound, Problem } from '../http/problem.ts';
import { Id, NameBody, NewTake, Revision, Take, TakeDocument } from '@lyvek/api';
import { answer, read } from '../http/validate.ts';
import { inTransaction } from '../store/database.ts';
import { pageById } from '../store/pages.ts';
import {
  appendRevision,
  createTake,
  nextTakeName,
  renameTake,
  setTakeDeleted,
  takeById,
  takeWithDocument,
} from '../store/takes.ts';

const EditHeaders = z.object({
  'if-match': z
    .string()
    .regex(/^"\d+"$/, 'If-Match names the revision that the edit starts from, such as "7"'),
  'x-edit-id': z.uuid(),
});

export function takeRoutes(pool: pg.Pool): Router {
  const routes = Router();

  routes.post('/pages/:id/takes', async (req, res) => {
    const page = await pageById(pool, read(Id, req.params.id));
    if (!page) throw notFound('page');
    const { name, document } = read(NewTake, req.body, 'take');
    const take = await inTransaction(pool, async (db) =>
      createTake(db, page.id, name ?? (await nextTakeName(db, page.id)), document),
    );
    answer(res, Take, take, 201);
  });

  routes.get('/takes/:id', async (req, res) => {
    const take = await takeWithDocument(pool, read(Id, req.params.id));
    if (!take) throw notFound('take');
    const parsed = readDocument(take.document);
    if (!parsed.ok)
      throw new Problem(
        500,
        'Unreadable take',
        `Revision ${take.revision} does not match the document format.`,
        { problems: parsed.problems },
      );
    res.setHeader('ETag', `"${take.revision}"`);
    answer(res, TakeDocument, { ...take, document: parsed.document });
  });

  /** Appends a revision. 412 when another one was faster. */
  routes.put('/takes/:id/document', async (req, res) => {
    const headers = read(EditHeaders, req.headers);
    const document = read(DocumentSchema, req.body, 'document');
    const base = Number(headers['if-match'].slice(1, -1));
    const result = await appendRevision(pool, read(Id, req.params.id), base, headers['x-edit-id'], document);
    if (result.is === 'gone') throw notFound('take');
    if (result.is === 'behind')
      throw new Problem(412, 'Changed elsewhere', 'This take was changed in another tab or window.', {
        revision: result.revision,
      });
    res.setHeader('ETag', `"${result.revision}"`);
    answer(res, Revision, { revision: result.revision });
  });

  routes.patch('/takes/:id', async (req, res) => {
    const id = read(Id, req.params.id);
    if (!(await renameTake(pool, id, read(NameBody, req.body).name))) throw notFound('take');
    answer(res, Take, (await takeById(pool, id))!);
  });

  routes.delete('/takes/:id', async (req, res) => {
    if (!(await setTakeDeleted(pool, read(Id, req.params.id), true))) throw notFound('take');
    res.status(204).end();
  });

  routes.post('/takes/:id/restore', async (req, res) => {
    const id = read(Id, req.params.id);
    if (!(await setTakeDeleted(pool, id, false))) throw notFound('take');
    answer(res, Take, (await takeById(pool, id))!);
  });

  return routes;
}
