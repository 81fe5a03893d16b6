/** Projects, pages, takes, presets and references are renamed, deleted and restored alike. */
import { Router } from 'express';
import type pg from 'pg';
import { THINGS } from '@lyvek/api';
import type { Answer, Thing } from '@lyvek/api';
import { handle } from '../http/handle.ts';
import { found, notFound } from '../http/problem.ts';
import { pageById, renamePage, setPageDeleted } from '../store/pages.ts';
import { renamePreset, setPresetDeleted } from '../store/presets.ts';
import { projectById, renameProject, setProjectDeleted } from '../store/projects.ts';
import { referenceById, renameReference, setReferenceDeleted } from '../store/references.ts';
import { renameTake, setTakeDeleted, takeById } from '../store/takes.ts';
import { readPreset } from './presets.ts';

interface Stored<T extends Thing> {
  find(db: pg.Pool, id: string): Promise<Answer<(typeof THINGS)[T]['rename']> | undefined>;
  rename(db: pg.Pool, id: string, name: string): Promise<boolean>;
  setDeleted(db: pg.Pool, id: string, deleted: boolean): Promise<boolean>;
}

const STORED: { [T in Thing]: Stored<T> } = {
  projects: { find: projectById, rename: renameProject, setDeleted: setProjectDeleted },
  pages: { find: pageById, rename: renamePage, setDeleted: setPageDeleted },
  takes: { find: takeById, rename: renameTake, setDeleted: setTakeDeleted },
  presets: { find: readPreset, rename: renamePreset, setDeleted: setPresetDeleted },
  references: { find: referenceById, rename: renameReference, setDeleted: setReferenceDeleted },
};

export function thingRoutes(db: pg.Pool): Router {
  const router = Router();
  for (const thing of Object.keys(THINGS) as Thing[]) {
    const { rename, remove, restore } = THINGS[thing];
    const stored = STORED[thing] as Stored<Thing>;
    const name = thing.slice(0, -1);
    const find = async (id: string) => found(await stored.find(db, id), name) as never;
    handle(router, rename, async ({ id, body }) => {
      if (!(await stored.rename(db, id, body.name))) throw notFound(name);
      return find(id);
    });
    handle(router, remove, async ({ id }) => {
      if (!(await stored.setDeleted(db, id, true))) throw notFound(name);
    });
    handle(router, restore, async ({ id }) => {
      if (!(await stored.setDeleted(db, id, false))) throw notFound(name);
      return find(id);
    });
  }
  return router;
}
