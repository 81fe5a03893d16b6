/** Trials: asked for, waited for, kept, taken away. */
import { Router } from 'express';
import type pg from 'pg';
import { readDocument, TrialResultSchema, TrialSetupSchema, trialCsv } from '@lyvek/core';
import type { TrialSetup } from '@lyvek/core';
import { routes } from '@lyvek/api';
import { handle } from '../http/handle.ts';
import { found, notFound, Problem } from '../http/problem.ts';
import { chromiumPath, findLongest, MAX_TRIAL, NoChromium } from '../lab/index.ts';
import { listLayouts } from '../store/layouts.ts';
import { takeWithDocument } from '../store/revisions.ts';
import { cancelTrial, createTrial, listTrials, trialById } from '../store/trials.ts';

/** Refuses what the lab could not run, with what to do about it. */
async function checkRunnable(pool: pg.Pool, pageId: string, setup: TrialSetup): Promise<void> {
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
}

/** As a list shows it. */
async function findRow(pool: pg.Pool, id: string, setup: TrialSetup) {
  const { document: _d, result: _r, ...row } = found(await trialById(pool, id), 'trial');
  return { ...row, setup };
}

export function trialRoutes(pool: pg.Pool): Router {
  const router = Router();

  handle(router, routes.trials, async ({ id }) => ({
    lab: chromiumPath() !== null,
    trials: (await listTrials(pool, id)).map((t) => ({ ...t, setup: TrialSetupSchema.parse(t.setup) })),
  }));

  /** Puts a trial into the lab’s queue, or keeps one that the user’s own browser has measured. */
  handle(router, routes.startTrial, async ({ id, body: { setup, result } }) => {
    const take = found(await takeWithDocument(pool, id), 'take');
    const parsed = readDocument(take.document);
    if (!parsed.ok)
      throw new Problem(500, 'Unreadable take', 'This take does not match the document format.');
    if (!result) await checkRunnable(pool, take.pageId, setup);
    const made = await createTrial(pool, {
      pageId: take.pageId,
      takeId: take.id,
      revision: take.revision,
      document: parsed.document,
      kind: result ? 'here' : 'lab',
      setup,
      ...(result ? { result } : {}),
    });
    return findRow(pool, made, setup);
  });

  /** The lab measures once more what it measured then: the same motions under the same gesture, device and size. */
  handle(router, routes.repeatTrial, async ({ id }) => {
    const trial = await trialById(pool, id);
    const parsed = trial && readDocument(trial.document);
    if (!trial || trial.kind !== 'lab' || !parsed?.ok) throw notFound('trial of the lab');
    const setup = TrialSetupSchema.parse(trial.setup);
    await checkRunnable(pool, trial.pageId, setup);
    const { pageId, takeId, revision } = trial;
    const { document } = parsed;
    return findRow(
      pool,
      await createTrial(pool, { pageId, takeId, revision, document, kind: 'lab', setup }),
      setup,
    );
  });

  handle(router, routes.trial, async ({ id }) => {
    const trial = found(await trialById(pool, id), 'trial');
    const parsed = readDocument(trial.document);
    return {
      ...trial,
      setup: TrialSetupSchema.parse(trial.setup),
      result: TrialResultSchema.nullable().parse(trial.result),
      document: parsed.ok ? parsed.document : null,
    };
  });

  handle(router, routes.trialFrames, async ({ id }, { res }) => {
    const trial = await trialById(pool, id);
    const result = TrialResultSchema.nullable().parse(trial?.result ?? null);
    if (!trial || !result) throw notFound('finished trial');
    res.setHeader('Content-Disposition', `attachment; filename="trial-${trial.createdAt.slice(0, 10)}.csv"`);
    res.type('text/csv; charset=utf-8').send(trialCsv(result));
  });

  handle(router, routes.cancelTrial, async ({ id }) => {
    found(await trialById(pool, id), 'trial');
    await cancelTrial(pool, id);
  });
  return router;
}
