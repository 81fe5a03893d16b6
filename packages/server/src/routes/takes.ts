import { setTimeout as rest } from 'node:timers/promises';
import { Router } from 'express';
import type pg from 'pg';
import * as z from 'zod';
import { NewTake, routes } from '@lyvek/api';
import { DocumentSchema, readDocument, itemAt } from '@lyvek/core';
import { handle } from '../http/handle.ts';
import { found, notFound, Problem } from '../http/problem.ts';
import { read } from '../http/validate.ts';
import { inTransaction } from '../store/database.ts';
import { pageById } from '../store/pages.ts';
import {
  appendRevision,
  createTake,
  earlierThanNewest,
  listRevisions,
  newestRevision,
  nextTakeName,
  takeAt,
  takeById,
  takesAway,
  takeWithDocument,
} from '../store/takes.ts';
import type { TakeRow } from '../store/takes.ts';

const RevisionNumber = z.coerce.number().int().min(1).max(2_000_000_000);
const MAX_REVISIONS = 50;
/** ms between looks at a take that somebody waits for */
const LOOK_MS = 150;

/** With its document read, or why that cannot be. */
function readable(take: (TakeRow & { document: unknown }) | undefined, what: string) {
  if (!take) throw notFound(what);
  const parsed = readDocument(take.document);
  if (!parsed.ok)
    throw new Problem(
      500,
      'Unreadable take',
      `Revision ${take.revision} cannot be read: ${itemAt(parsed.problems, 0).message}. It is kept as it is.`,
      { problems: parsed.problems },
    );
  return { ...take, document: parsed.document };
}

export function takeRoutes(pool: pg.Pool): Router {
  const router = Router();

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
    for (const until = Date.now() + wait * 1000; ; await rest(LOOK_MS)) {
      const { revision, author } = found(await newestRevision(pool, id), 'take');
      if (revision > after || Date.now() >= until || res.destroyed) return { revision, author };
    }
  });

  handle(router, routes.earlier, async ({ id, author }) => {
    const { earlier, elsewhere } = await earlierThanNewest(pool, id, author);
    if (!earlier) return { earlier, elsewhere };
    const parsed = readDocument(earlier.document);
    return { earlier: parsed.ok ? { ...earlier, document: parsed.document } : null, elsewhere };
  });

  /** Appends a revision. 412 when another one was faster. */
  handle(
    router,
    routes.putDocument,
    async ({ id, base, editId, body, ...facts }, { res }) => {
      const result = await appendRevision(pool, id, base, body, { editId, ...facts });
      if (result.kind === 'gone') throw notFound('take');
      if (result.kind === 'behind')
        throw new Problem(412, 'Changed elsewhere', 'This take was changed in another tab or window.', {
          revision: result.revision,
        });
      res.setHeader('ETag', `"${result.revision}"`);
      return { revision: result.revision };
    },
    { body: DocumentSchema },
  );

  return router;
}
