import { Router } from 'express';
import type pg from 'pg';
import { found, notFound } from '../http/problem.ts';
import type { PageOnShelf } from '@lyvek/api';
import { CoefficientsSchema } from '@lyvek/core';
import { Id, NameBody, UnitCosts, Project, Projects, ProjectSettings, Shelf } from '@lyvek/api';
import { answer, read } from '../http/validate.ts';
import { listLayouts } from '../store/layouts.ts';
import { listPages } from '../store/pages.ts';
import { fitUnitCosts } from '../store/unit-costs.ts';
import {
  createProject,
  listProjects,
  projectById,
  putSettings,
  renameProject,
  setProjectDeleted,
  listSettings,
} from '../store/projects.ts';
import { newestBands } from '../store/trials.ts';
import { listTakes, takeWithDocument } from '../store/takes.ts';
import { readDocument } from '@lyvek/core';

export function projectRoutes(db: pg.Pool): Router {
  const routes = Router();

  routes.get('/projects', async (_req, res) => answer(res, Projects, { projects: await listProjects(db) }));

  routes.post('/projects', async (req, res) => {
    const { name } = read(NameBody, req.body);
    const id = await createProject(db, name);
    answer(res, Project, found(await projectById(db, id), 'project'), 201);
  });

  /** The shelf: every page with what its strip shows. */
  routes.get('/projects/:id', async (req, res) => {
    const project = await projectById(db, read(Id, req.params.id));
    if (!project) throw notFound('project');
    const pages = await Promise.all(
      (await listPages(db, project.id)).map(async (page): Promise<PageOnShelf> => {
        const takes = await listTakes(db, page.id);
        const newest = takes[0] && (await takeWithDocument(db, takes[0].id));
        const parsed = newest && readDocument(newest.document);
        return {
          ...page,
          takes,
          layouts: await listLayouts(db, page.id),
          bands: await newestBands(db, page.id),
          document: parsed?.ok ? parsed.document : null,
        };
      }),
    );
    answer(res, Shelf, { project, pages });
  });

  routes.patch('/projects/:id', async (req, res) => {
    const id = read(Id, req.params.id);
    if (!(await renameProject(db, id, read(NameBody, req.body).name))) throw notFound('project');
    answer(res, Project, found(await projectById(db, id), 'project'));
  });

  routes.get('/projects/:id/settings', async (req, res) => {
    const stored = await listSettings(db, read(Id, req.params.id));
    if (stored === undefined) throw notFound('project');
    answer(res, ProjectSettings, ProjectSettings.parse(stored));
  });

  /** Fitted after trials of the lab; a class without enough of them is not there. */
  routes.get('/projects/:id/prices', async (req, res) => {
    const rows = await fitUnitCosts(db, read(Id, req.params.id));
    const unitCosts = rows.flatMap(({ coefficients, trials }) => {
      const known = CoefficientsSchema.safeParse(coefficients);
      return known.success ? [{ coefficients: known.data, trials }] : [];
    });
    answer(res, UnitCosts, { unitCosts });
  });

  routes.put('/projects/:id/settings', async (req, res) => {
    const settings = read(ProjectSettings, req.body);
    if (!(await putSettings(db, read(Id, req.params.id), settings))) throw notFound('project');
    answer(res, ProjectSettings, settings);
  });

  routes.delete('/projects/:id', async (req, res) => {
    if (!(await setProjectDeleted(db, read(Id, req.params.id), true))) throw notFound('project');
    res.status(204).end();
  });

  routes.post('/projects/:id/restore', async (req, res) => {
    const id = read(Id, req.params.id);
    if (!(await setProjectDeleted(db, id, false))) throw notFound('project');
    answer(res, Project, found(await projectById(db, id), 'project'));
  });

  return routes;
}
