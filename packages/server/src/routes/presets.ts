import { Router } from 'express';
import type pg from 'pg';
import * as z from 'zod';
import { Id, NameBody, NewPreset, Preset, Presets } from '@lyvek/api';
import { PresetBodySchema } from '@lyvek/core';
import { notFound, Problem } from '../http/problem.ts';
import { answer, IfMatch, read } from '../http/validate.ts';
import {
  changePreset,
  createPreset,
  listPresets,
  presetById,
  renamePreset,
  setPresetDeleted,
} from '../store/presets.ts';
import type { PresetRow } from '../store/presets.ts';

const ChangeHeaders = z.object({ 'if-match': IfMatch });

/** As the format has it now: lists that older presets lack are empty. */
const whole = (row: PresetRow): z.infer<typeof Preset> => ({
  ...row,
  body: PresetBodySchema.parse(row.body),
});

export function presetRoutes(db: pg.Pool): Router {
  const routes = Router();
  const one = async (id: string) => {
    const row = await presetById(db, id);
    if (!row) throw notFound('preset');
    return whole(row);
  };

  routes.get('/presets', async (_req, res) =>
    answer(res, Presets, { presets: (await listPresets(db)).map(whole) }),
  );

  routes.post('/presets', async (req, res) => {
    const { name, body } = read(NewPreset, req.body, 'preset');
    answer(res, Preset, await one(await createPreset(db, name, body)), 201);
  });

  /** Replaces what a preset holds. 412 when it was changed meanwhile. */
  routes.put('/presets/:id', async (req, res) => {
    const id = read(Id, req.params.id);
    const base = read(ChangeHeaders, req.headers)['if-match'];
    const body = read(PresetBodySchema, req.body, 'preset');
    if (!(await changePreset(db, id, base, body))) {
      const now = await one(id);
      throw new Problem(412, 'Changed elsewhere', 'This preset was changed in another tab or window.', {
        revision: now.revision,
      });
    }
    answer(res, Preset, await one(id));
  });

  routes.patch('/presets/:id', async (req, res) => {
    const id = read(Id, req.params.id);
    if (!(await renamePreset(db, id, read(NameBody, req.body).name))) throw notFound('preset');
    answer(res, Preset, await one(id));
  });

  routes.delete('/presets/:id', async (req, res) => {
    if (!(await setPresetDeleted(db, read(Id, req.params.id), true))) throw notFound('preset');
    res.status(204).end();
  });

  routes.post('/presets/:id/restore', async (req, res) => {
    const id = read(Id, req.params.id);
    if (!(await setPresetDeleted(db, id, false))) throw notFound('preset');
    answer(res, Preset, await one(id));
  });

  return routes;
}
