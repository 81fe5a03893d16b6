import { Router } from 'express';
import type pg from 'pg';
import { ProjectSettings, routes } from '@lyvek/api';
import type { PageOnShelf } from '@lyvek/api';
import { CoefficientsSchema } from '@lyvek/core';
import { handle } from '../http/handle.ts';
import { found, notFound } from '../http/problem.ts';
import { listLayouts } from '../store/layouts.ts';
import { listPages } from '../store/pages.ts';
import {
  createProject,
  findShelfState,
  listProjects,
  listSettings,
  projectById,
  putSettings,
} from '../store/projects.ts';
import { readStored } from '../store/documents.ts';
import { takeWithDocument } from '../store/revisions.ts';
import { listTakes } from '../store/takes.ts';
import { newestBands } from '../store/trials.ts';
import { fitUnitCosts } from '../store/unit-costs.ts';

export function projectRoutes(db: pg.Pool): Router {
  const router = Router();

  handle(router, routes.projects, async () => ({ projects: await listProjects(db) }));

  handle(router, routes.createProject, async ({ body: { name } }) =>
    found(await projectById(db, await createProject(db, name)), 'project'),
  );

  /** Every page with what its strip shows. */
  handle(
    router,
    routes.shelf,
    async ({ id }) => {
      const project = found(await projectById(db, id), 'project');
      const pages = await Promise.all(
        (await listPages(db, id)).map(async (page): Promise<PageOnShelf> => {
          const takes = await listTakes(db, page.id);
          const newest = takes[0] && (await takeWithDocument(db, takes[0].id));
          const parsed = newest && readStored(newest.document);
          return {
            ...page,
            takes,
            layouts: await listLayouts(db, page.id),
            bands: await newestBands(db, page.id),
            document: parsed?.ok ? parsed.document : null,
          };
        }),
      );
      return { project, pages };
    },
    { state: ({ id }) => findShelfState(db, id) },
  );

  handle(router, routes.settings, async ({ id }) =>
    ProjectSettings.parse(found(await listSettings(db, id), 'project')),
  );

  handle(router, routes.putSettings, async ({ id, body }) => {
    if (!(await putSettings(db, id, body))) throw notFound('project');
    return body;
  });

  /** Fitted after trials of the lab; a class without enough of them is not there. */
  handle(router, routes.unitCosts, async ({ id }) => {
    const rows = await fitUnitCosts(db, id);
    return {
      unitCosts: rows.flatMap(({ coefficients, trials }) => {
        const known = CoefficientsSchema.safeParse(coefficients);
        return known.success ? [{ coefficients: known.data, trials }] : [];
      }),
    };
  });

  return router;
}
