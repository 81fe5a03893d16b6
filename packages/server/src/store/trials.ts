import { randomUUID } from 'node:crypto';
import { fillBuckets, clockById, splitStretches, summarize } from '@lyvek/core';
import type { MotionDocument, Stretch, TrialResult, TrialSetup, TrialSummary } from '@lyvek/core';
import type { Db } from './database.ts';

export interface TrialRow {
  id: string;
  pageId: string;
  takeId: string;
  revision: number;
  kind: 'here' | 'lab';
  setup: unknown;
  state: 'queued' | 'running' | 'done' | 'failed' | 'cancelled';
  progress: number;
  why: string | null;
  createdAt: string;
  summary: TrialSummary | null;
}

const COLUMNS = `id, page_id as "pageId", take_id as "takeId", revision, kind, setup, state, progress, why,
  to_char(created_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "createdAt", summary`;

/** What the history shows of it. */
const summaryFor = (result: TrialResult | undefined): string | null =>
  result ? JSON.stringify(summarize(result.frames, clockById(result.setup.clock).refresh)) : null;
/** Scroll that is told as one on the shelf, px. */
const BUCKET = 200;
const bandsFor = (result: TrialResult | undefined): string | null => {
  if (!result) return null;
  const { frames, setup } = result;
  const max = frames.y.reduce((m, y) => Math.max(m, y), 1);
  return JSON.stringify(
    splitStretches(fillBuckets(frames, max, BUCKET), 1000 / clockById(setup.clock).refresh),
  );
};
/** Of a page’s newest finished trial; empty where there is none. */
export const newestBands = async (db: Db, pageId: string): Promise<Stretch[]> =>
  (
    await db.query<{ bands: Stretch[] | null }>(
      `select bands from trials where page_id = $1 and state = 'done' order by created_at desc limit 1`,
      [pageId],
    )
  ).rows[0]?.bands ?? [];

/** Trials that a page’s history shows. */
const MAX = 60;

export const listTrials = async (db: Db, pageId: string): Promise<TrialRow[]> =>
  (
    await db.query<TrialRow>(
      `select ${COLUMNS} from trials where page_id = $1 order by created_at desc, id limit ${MAX}`,
      [pageId],
    )
  ).rows;

export const trialById = async (
  db: Db,
  id: string,
): Promise<(TrialRow & { document: unknown; result: unknown }) | undefined> =>
  (
    await db.query<TrialRow & { document: unknown; result: unknown }>(
      `select ${COLUMNS}, document, result from trials where id = $1`,
      [id],
    )
  ).rows[0];

interface NewTrial {
  pageId: string;
  takeId: string;
  revision: number;
  document: MotionDocument;
  kind: 'here' | 'lab';
  setup: TrialSetup;
  /** of one that has been measured already */
  result?: TrialResult;
}

export async function createTrial(db: Db, t: NewTrial): Promise<string> {
  const id = randomUUID();
  await db.query(
    `insert into trials (id, page_id, take_id, revision, document, kind, setup, state, progress, result, summary, bands, ended_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, case when $8 = 'done' then now() end)`,
    [
      id,
      t.pageId,
      t.takeId,
      t.revision,
      JSON.stringify(t.document),
      t.kind,
      JSON.stringify(t.setup),
      t.result ? 'done' : 'queued',
      t.result ? 1 : 0,
      t.result ? JSON.stringify(t.result) : null,
      summaryFor(t.result),
      bandsFor(t.result),
    ],
  );
  return id;
}

/** Ends one that waits or runs; false when there is none such. */
export const cancelTrial = async (db: Db, id: string): Promise<boolean> =>
  (
    await db.query(
      `update trials set state = 'cancelled', ended_at = now() where id = $1 and state in ('queued', 'running')`,
      [id],
    )
  ).rowCount === 1;

/** A trial whose runner has been silent for this long is taken from it, s; one that was heard of in the future too: a clock was set back. */
const SILENT = 20;
const MAX_ATTEMPTS = 2;

/** Whether any waits to be run. */
export const isTrialWaiting = async (db: Db): Promise<boolean> =>
  ((await db.query(`select 1 from trials where state = 'queued' limit 1`)).rowCount ?? 0) > 0;

/** Gives those back to the queue whose runner has gone; ends those that have gone twice. */
export async function reviveTrials(db: Db): Promise<void> {
  await db.query(
    `update trials set state = case when attempts < ${MAX_ATTEMPTS} then 'queued' else 'failed' end, progress = 0,
       ended_at = case when attempts < ${MAX_ATTEMPTS} then null else now() end,
       why = case when attempts < ${MAX_ATTEMPTS} then null
         else 'The server was stopped twice while it ran. Run it again.' end
     where state = 'running' and abs(extract(epoch from now() - beat_at)) > ${SILENT}`,
  );
}

/** Takes the oldest waiting one for this machine. Several servers may ask at once: each gets another. */
export const claimTrial = async (
  db: Db,
  machine: string,
): Promise<(TrialRow & { document: unknown }) | undefined> =>
  (
    await db.query<TrialRow & { document: unknown }>(
      `update trials set state = 'running', machine = $1, beat_at = now(), attempts = attempts + 1
       where id = (select id from trials where state = 'queued' order by created_at, id limit 1 for update skip locked)
       returning ${COLUMNS}, document`,
      [machine],
    )
  ).rows[0];

/** Says that it is still being run; false once it has been cancelled or taken away. */
export const beatTrial = async (db: Db, id: string, machine: string, progress: number): Promise<boolean> =>
  (
    await db.query(
      `update trials set beat_at = now(), progress = $3 where id = $1 and machine = $2 and state = 'running'`,
      [id, machine, progress],
    )
  ).rowCount === 1;

export async function endTrial(
  db: Db,
  id: string,
  end: { result: TrialResult } | { why: string },
): Promise<void> {
  const result = 'result' in end ? JSON.stringify(end.result) : null;
  await db.query(
    `update trials set state = $2, result = $3, why = $4, summary = $5, bands = $6, progress = case when $2 = 'done' then 1 else progress end,
       ended_at = now() where id = $1 and state = 'running'`,
    [
      id,
      result === null ? 'failed' : 'done',
      result,
      'why' in end ? end.why : null,
      summaryFor('result' in end ? end.result : undefined),
      bandsFor('result' in end ? end.result : undefined),
    ],
  );
}

/** A project’s newest finished trials of the lab on one class of device, for fitting its prices. */
export const finishedTrials = async (
  db: Db,
  projectId: string,
  device: string,
  most: number,
): Promise<{ pageId: string; document: unknown; result: unknown }[]> =>
  (
    await db.query<{ pageId: string; document: unknown; result: unknown }>(
      `select t.page_id as "pageId", t.document, t.result from trials t join pages p on p.id = t.page_id
       where p.project_id = $1 and t.kind = 'lab' and t.state = 'done' and t.setup ->> 'device' = $2
         and coalesce(t.setup ->> 'engine', 'chromium') = 'chromium'
       order by t.created_at desc limit $3`,
      [projectId, device, most],
    )
  ).rows;
