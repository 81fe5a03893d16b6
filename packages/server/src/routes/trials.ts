/** Trials: asked for, waited for, kept, taken away. */
import { Router } from 'express';
import type pg from 'pg';
import { readDocument, TrialResultSchema, TrialSetupSchema, trialCsv } from '@lyvek/core';
import type { TrialSetup } from '@lyvek/core';
import { Id, NewTrial, Trial, Trials, TrialWhole } from '@lyvek/api';
import { found, notFound, Problem } from '../http/problem.ts';
import { answer, read } from '../http/validate.ts';
import { chromiumPath, findLongest, MAX_TRIAL, NoChromium } from '../lab/index.ts';
import { listLayouts } from '../store/layouts.ts';
import { takeWithDocument } from '../store/takes.ts';
import { cancelTrial, createTrial, listTrials, trialById } from '../store/trials.ts';

export function trialRoutes(pool: pg.Pool): Router {
  const routes = Router();

  /** Refuses what the lab could not run, with what to do about it. */
  const canRun = async (pageId: string, setup: TrialSetup): Promise<void> => {
    if (!chromiumPath()) throw new Problem(501, 'No Chromium here', new NoChromium().message);
    if (findLongest(setup) > MAX_TRIAL)
      throw new Problem(
        422,
        'Too long',
        `Under this gesture it would take more than ${Math.round(MAX_TRIAL / 60_000)} minutes. Choose a quicker one, or fewer runs.`,
      );
    const { width, height } = setup.viewport;
    const layouts = await listLayouts(pool, pageId);
    if (!layouts.some((l) => l.viewport.width === width && l.viewport.height === height))
      throw new Problem(
        409,
        'Not measured',
        `The page has not been measured at ${width} × ${height}. Open it in the Rundown once.`,
      );
  };

  routes.get('/pages/:id/trials', async (req, res) => {
    const trials = await listTrials(pool, read(Id, req.params.id));
    answer(res, Trials, {
      lab: chromiumPath() !== null,
      trials: trials.map((t) => ({ ...t, setup: TrialSetupSchema.parse(t.setup) })),
    });
  });

  /** Puts a trial into the lab’s queue, or keeps one that the user’s own browser has measured. */
  routes.post('/takes/:id/trials', async (req, res) => {
    const { setup, result } = read(NewTrial, req.body);
    const take = await takeWithDocument(pool, read(Id, req.params.id));
    if (!take) throw notFound('take');
    const parsed = readDocument(take.document);
    if (!parsed.ok)
      throw new Problem(500, 'Unreadable take', 'This take does not match the document format.');
    if (!result) await canRun(take.pageId, setup);
    const id = await createTrial(pool, {
      pageId: take.pageId,
      takeId: take.id,
      revision: take.revision,
      document: parsed.document,
      kind: result ? 'here' : 'lab',
      setup,
      ...(result ? { result } : {}),
    });
    const { document: _d, result: _r, ...row } = found(await trialById(pool, id), 'trial');
    answer(res, Trial, { ...row, setup }, 201);
  });

  /** The lab measures once more what it measured then: the same motions under the same gesture, device and size. */
  routes.post('/trials/:id/again', async (req, res) => {
    const trial = await trialById(pool, read(Id, req.params.id));
    const parsed = trial && readDocument(trial.document);
    if (!trial || trial.kind !== 'lab' || !parsed?.ok) throw notFound('trial of the lab');
    const setup = TrialSetupSchema.parse(trial.setup);
    await canRun(trial.pageId, setup);
    const { pageId, takeId, revision } = trial;
    const id = await createTrial(pool, {
      pageId,
      takeId,
      revision,
      document: parsed.document,
      kind: 'lab',
      setup,
    });
    const { document: _d, result: _r, ...row } = found(await trialById(pool, id), 'trial');
    answer(res, Trial, { ...row, setup }, 201);
  });

  routes.get('/trials/:id', async (req, res) => {
    const trial = await trialById(pool, read(Id, req.params.id));
    if (!trial) throw notFound('trial');
    const parsed = readDocument(trial.document);
    answer(res, TrialWhole, {
      ...trial,
      setup: TrialSetupSchema.parse(trial.setup),
      result: TrialResultSchema.nullable().parse(trial.result),
      document: parsed.ok ? parsed.document : null,
    });
  });

  routes.get('/trials/:id/frames.csv', async (req, res) => {
    const trial = await trialById(pool, read(Id, req.params.id));
    const result = TrialResultSchema.nullable().parse(trial?.result ?? null);
    if (!trial || !result) throw notFound('finished trial');
    res.setHeader('Content-Disposition', `attachment; filename="trial-${trial.createdAt.slice(0, 10)}.csv"`);
    res.type('text/csv; charset=utf-8').send(trialCsv(result));
  });

  routes.post('/trials/:id/cancel', async (req, res) => {
    const id = read(Id, req.params.id);
    const trial = await trialById(pool, id);
    if (!trial) throw notFound('trial');
    await cancelTrial(pool, id);
    res.status(204).end();
  });
  return routes;
}
