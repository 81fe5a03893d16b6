/** Projects and all data as files, and back. */
import { Router } from 'express';
import type { Response } from 'express';
import type pg from 'pg';
import { routes } from '@lyvek/api';
import { slug } from '@lyvek/core';
import { restoreArchive, writeArchive } from '../archive/index.ts';
import type { ArchiveOptions } from '../archive/write.ts';
import { handle } from '../http/handle.ts';
import { found } from '../http/problem.ts';
import { projectById } from '../store/projects.ts';

export function archiveRoutes(pool: pg.Pool): Router {
  const router = Router();
  const send = async (res: Response, name: string, options: ArchiveOptions) => {
    res.setHeader('Content-Disposition', `attachment; filename="${name}.zip"`);
    res.type('application/zip');
    try {
      await writeArchive(pool, res, options);
      res.end();
    } catch (error) {
      // Half a zip is none: whoever reads it learns that it broke off.
      res.destroy(error as Error);
    }
  };

  handle(router, routes.projectArchive, async ({ id, revisions }, { res }) => {
    const project = found(await projectById(pool, id), 'project');
    await send(res, `${slug(project.name)}.lyvek`, { project: id, revisions });
  });
  handle(router, routes.backup, async (_given, { res }) => {
    const day = new Date().toISOString().slice(0, 10);
    await send(res, `lyvek-backup-${day}`, { project: null, revisions: 'all' });
  });
  handle(router, routes.restore, ({ body }) => restoreArchive(pool, body));
  return router;
}
