import { Router } from 'express';
import type pg from 'pg';
import { emptyDocument, shorten, wellFormed } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { otherPages } from '../add-page/index.ts';
import { ImportLimit } from '../add-page/importer.ts';
import type { Importer } from '../add-page/importer.ts';
import type { Proving } from '../add-page/proved.ts';
import { ProjectSettings, routes } from '@lyvek/api';
import { handle } from '../http/handle.ts';
import type { Http } from '../http/handle.ts';
import { found, notFound, Problem } from '../http/problem.ts';
import { inTransaction } from '../store/database.ts';
import type { Db } from '../store/database.ts';
import { listLayouts, putLayout } from '../store/layouts.ts';
import {
  createLivePage,
  createPage,
  listFiles,
  listVideos,
  findImportProof,
  findPageState,
  pageById,
  formerLayout,
  forgetFormerLayout,
  renewCode,
  replaceFiles,
  setPageOutside,
} from '../store/pages.ts';
import { listSettings, projectById } from '../store/projects.ts';
import { createTake, listTakes } from '../store/takes.ts';

interface PageDeps {
  pool: pg.Pool;
  /** where Lyvek itself is */
  ownPorts: readonly number[];
  importer: Importer;
  proving: Proving;
}

const findPage = async (pool: pg.Pool, id: string) => found(await pageById(pool, id), 'page');

export function pageRoutes(deps: PageDeps): Router {
  const router = Router();
  addRoutes(router, deps);
  liveRoutes(router, deps);
  readRoutes(router, deps);
  return router;
}

/** Pages that are brought as files. */
function addRoutes(router: Router, { pool, importer, proving }: PageDeps): void {
  /** The uploaded page, unpacked elsewhere. Whoever goes away ends it. */
  const unpack = async (bytes: Buffer, entry: string | undefined, { req, res }: Http) => {
    const gone = new AbortController();
    res.on('close', () => gone.abort());
    const type = String(req.headers['content-type'] ?? '');
    return { ...(await importer.run('unpack', { bytes, type, entry }, gone.signal)), signal: gone.signal };
  };

  handle(router, routes.addPage, async ({ id, name, entry, body }, http) => {
    const project = found(await projectById(pool, id), 'project');
    const { title, files, entry: entryFile, signal } = await unpack(body, entry, http);
    // A page whose motions are too much to read is still a page: it comes without them, and that is said.
    let limit: string | undefined;
    const { document, proof } = await proving
      .import({ entry: entryFile, files }, signal)
      .catch((error: unknown) => {
        if (!(error instanceof ImportLimit)) throw error;
        limit = `${error.message} The page was added without the motions of its own.`;
        return { document: null, proof: null };
      });
    const page = await inTransaction(pool, async (db) => {
      const called = shorten(wellFormed(title || name || '').trim(), 120).trim() || 'Untitled page';
      const made = await createPage(db, project.id, { name: called, entry: entryFile, files, proof });
      await createTake(db, made.id, 'Take A', await firstDocument(db, project.id, document));
      return made;
    });
    const others = entry === undefined ? otherPages(files, entryFile) : [];
    return { ...page, others, ...(limit ? { limit } : {}), ...(proof ? { proof } : {}) };
  });

  /** Its takes stay as they are. */
  handle(router, routes.replaceFiles, async ({ id, entry, body }, http) => {
    const page = await findPage(pool, id);
    if (page.live)
      throw new Problem(409, 'Under development', 'This page has no files here; its own server shows it.');
    const unpacked = await unpack(body, entry, http);
    await inTransaction(pool, (db) => replaceFiles(db, page.id, unpacked.entry, unpacked.files));
    return findPage(pool, page.id);
  });

  /** As long as what its takes have lost is not settled. */
  handle(router, routes.former, async ({ id }) => ({
    layout: await formerLayout(pool, (await findPage(pool, id)).id),
  }));
  handle(router, routes.settleFormer, async ({ id }) =>
    forgetFormerLayout(pool, (await findPage(pool, id)).id),
  );
}

/** What was imported, under its author’s names; a page without motions begins with the names of its project. */
async function firstDocument(db: Db, projectId: string, imported: MotionDocument | null) {
  if (imported && imported.motions.length > 0) return imported;
  const { prefix } = ProjectSettings.parse((await listSettings(db, projectId)) ?? {});
  const { prefix: _, ...document } = imported ?? emptyDocument();
  return { ...document, ...(prefix === undefined ? {} : { prefix }) };
}

/** Pages that a development server shows. */
function liveRoutes(router: Router, { pool, ownPorts }: PageDeps): void {
  /** Its own server goes on showing it. */
  handle(router, routes.connectPage, async ({ id, body: { name, url } }) => {
    const project = found(await projectById(pool, id), 'project');
    if (ownPorts.includes(Number(new URL(url).port || 80)))
      throw new Problem(422, 'This is Lyvek itself', 'Give the address of your own development server.');
    return inTransaction(pool, async (db) => {
      const made = await createLivePage(db, project.id, name ?? new URL(url).host, url);
      await createTake(db, made.id, 'Take A', await firstDocument(db, project.id, null));
      return made;
    });
  });

  /** The old code lets nobody in any more. */
  handle(router, routes.renewCode, async ({ id }) => {
    const page = await findPage(pool, id);
    if (!(await renewCode(pool, page.id))) throw notFound('page under development');
    return findPage(pool, page.id);
  });
}

/** What is known of a page. */
function readRoutes(router: Router, { pool, importer }: PageDeps): void {
  handle(
    router,
    routes.page,
    async ({ id }) => {
      const page = await findPage(pool, id);
      const project = found(await projectById(pool, page.projectId), 'page');
      return {
        page,
        project,
        takes: await listTakes(pool, page.id),
        layouts: await listLayouts(pool, page.id),
      };
    },
    { state: ({ id }) => findPageState(pool, id) },
  );

  /** What was read, what was left, and mistakes with their corrections. */
  handle(router, routes.imported, async ({ id }) => {
    const page = await findPage(pool, id);
    const nothing = { document: emptyDocument(), unsupported: [], mistakes: [] };
    const proof = await findImportProof(pool, page.id);
    const read = await importer
      .motions(page, () => listFiles(pool, page.id), proof?.left ?? [])
      .catch((error: unknown) => {
        if (error instanceof ImportLimit) return nothing;
        throw error;
      });
    return { ...(read ?? nothing), proof };
  });

  /** A page under development has its files elsewhere. */
  handle(router, routes.videos, async ({ id }) => {
    const page = await findPage(pool, id);
    return { videos: await importer.videos(page.contentHash, () => listVideos(pool, page.id)) };
  });

  handle(router, routes.setOutside, async ({ id, body: { outside } }) => {
    if (!(await setPageOutside(pool, id, outside))) throw notFound('page');
    return findPage(pool, id);
  });

  handle(router, routes.putLayout, async ({ id, contentHash, body }) => {
    const page = await findPage(pool, id);
    if (contentHash !== page.contentHash)
      throw new Problem(
        412,
        'Another page content',
        'The page has changed since it was measured. Measure it again.',
      );
    await putLayout(pool, page.id, page.contentHash, body);
  });
}
