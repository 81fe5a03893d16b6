import { Router } from 'express';
import type pg from 'pg';
import { NewPreset, routes } from '@lyvek/api';
import type { PresetFacts } from '@lyvek/api';
import { PresetBodySchema } from '@lyvek/core';
import { handle } from '../http/handle.ts';
import { found, Problem } from '../http/problem.ts';
import { changePreset, createPreset, listPresets, presetById } from '../store/presets.ts';
import type { PresetRow } from '../store/presets.ts';

/** As the format has it now: lists that older presets lack are empty. */
const whole = (row: PresetRow): PresetFacts => ({ ...row, body: PresetBodySchema.parse(row.body) });

export async function readPreset(db: pg.Pool, id: string): Promise<PresetFacts | undefined> {
  const row = await presetById(db, id);
  return row && whole(row);
}

export function presetRoutes(db: pg.Pool): Router {
  const router = Router();
  const one = async (id: string) => found(await readPreset(db, id), 'preset');

  handle(router, routes.presets, async () => ({ presets: (await listPresets(db)).map(whole) }));

  handle(
    router,
    routes.keepPreset,
    async ({ body: { name, body } }) => one(await createPreset(db, name, body)),
    { body: NewPreset.extend({ body: PresetBodySchema }) },
  );

  /** 412 when it was changed meanwhile. */
  handle(
    router,
    routes.putPreset,
    async ({ id, base, body }) => {
      if (!(await changePreset(db, id, base, body))) {
        const now = await one(id);
        throw new Problem(412, 'Changed elsewhere', 'This preset was changed in another tab or window.', {
          revision: now.revision,
        });
      }
      return one(id);
    },
    { body: PresetBodySchema },
  );

  return router;
}
