import { Router } from 'express';
import type { Response } from 'express';
import pLimit from 'p-limit';
import type pg from 'pg';
import * as z from 'zod';
import { NewTake, routes } from '@lyvek/api';
import { DocumentSchema, itemAt, PatchSchema } from '@lyvek/core';
import { handle } from '../http/handle.ts';
import { found, notFound, Problem } from '../http/problem.ts';
import { read } from '../http/validate.ts';
import { inTransaction } from '../store/database.ts';
import { pageById } from '../store/pages.ts';
import { readStored } from '../store/documents.ts';
import {
  appendRevision,
  earlierThanNewest,
  listRevisions,
  takeAt,
  takeWithDocument,
} from '../store/revisions.ts';
import type { Append } from '../store/revisions.ts';
import { TakeWatch } from '../store/take-watch.ts';
import { createTake, nextTakeName, takeById, takesAway } from '../store/takes.ts';
import type { TakeRow } from '../store/takes.ts';

const RevisionNumber = z.coerce.number().int().min(1).max(2_000_000_000);
const MAX_REVISIONS = 50;
/** Edits that are worked on at once; others wait in order. More of them would only wait for each other’s connections. */
const MAX_EDITS_AT_ONCE = 6;

/** With its document read, or why that cannot be. */
function readable(take: (TakeRow & { document: object }) | undefined, what: string) {
  if (!take) throw notFound(what);
  const parsed = readStored(take.document);
  if (!parsed.ok)
    throw new Problem(
      500,
      'Unreadable take',
      `Revision ${take.revision} cannot be read: ${itemAt(parsed.problems, 0).message}. It is kept as it is.`,
      { problems: parsed.problems },
    );
  return { ...take, document: parsed.document };
}

/** What is said of an edit. 412 when another one was faster; 409 for a patch of another document. */
function answer(result: Append, res: Response): { revision: number } {
  if (result.kind === 'gone') throw notFound('take');
  if (result.kind === 'behind')
    throw new Problem(412, 'Changed elsewhere', 'This take was changed in another tab or window.', {
      revision: result.revision,
    });
  if (result.kind === 'unfit')
    throw new Problem(409, 'Does not fit', 'The patch does not fit the document. Send the whole document.');
  if (result.kind === 'refused') {
    const { problems } = result;
    const { path, message } = itemAt(problems, 0);
    throw new Problem(422, 'This request cannot be used', `${path ? `${path}: ` : ''}${message}`, {
      problems,
    });
  }
  res.setHeader('ETag', `"${result.revision}"`);
  return { revision: result.revision };
}

export function takeRoutes(pool: pg.Pool): Router {
  const router = Router();
  const watch = new TakeWatch(pool);
  const inTurn = pLimit(MAX_EDITS_AT_ONCE);

  handle(
    router,
    routes.createTake,
    async ({ id, body: { name, document, madeFrom } }) => {
      const page = found(await pageById(pool, id), 'page');
      return inTransaction(pool, async (db) => {
        const origin = madeFrom && (await takeAt(db, madeFrom.takeId, madeFrom.revision));
        if (madeFrom && origin?.pageId !== page.id) throw notFound('take that it is made from');
        return createTake(db, page.id, name ?? (await nextTakeName(db, page.id)), document, madeFrom);
      });
    },
    { body: NewTake.extend({ document: DocumentSchema }) },
  );

  handle(router, routes.takesAway, async ({ id }) => {
    const page = found(await pageById(pool, id), 'page');
    return { takes: await takesAway(pool, page.id) };
  });

  handle(router, routes.revisions, async ({ id, before }) => {
    const take = found(await takeById(pool, id), 'take');
    return { revisions: await listRevisions(pool, take.id, before, MAX_REVISIONS) };
  });

  handle(router, routes.revision, async ({ id, number }) =>
    readable(await takeAt(pool, id, read(RevisionNumber, number)), 'revision'),
  );

  handle(router, routes.take, async ({ id }, { res }) => {
    const take = readable(await takeWithDocument(pool, id), 'take');
    res.setHeader('ETag', `"${take.revision}"`);
    return take;
  });

  handle(router, routes.newer, async ({ id, after, wait }, { res }) => {
    const gone = new AbortController();
    res.on('close', () => gone.abort());
    return found(await watch.wait(id, after, wait * 1000, gone.signal), 'take');
  });

  handle(router, routes.earlier, async ({ id, author }) => {
    const { earlier, elsewhere } = await earlierThanNewest(pool, id, author);
    if (!earlier) return { earlier, elsewhere };
    const parsed = readStored(earlier.document);
    return { earlier: parsed.ok ? { ...earlier, document: parsed.document } : null, elsewhere };
  });

  handle(
    router,
    routes.putDocument,
    async ({ id, base, editId, body: document, ...facts }, { res }) =>
      answer(await inTurn(() => appendRevision(pool, id, base, { document }, { editId, ...facts })), res),
    { body: DocumentSchema },
  );

  handle(
    router,
    routes.patchDocument,
    async ({ id, base, editId, body: patch, ...facts }, { res }) =>
      answer(await inTurn(() => appendRevision(pool, id, base, { patch }, { editId, ...facts })), res),
    { body: PatchSchema },
  );

  return router;
}
