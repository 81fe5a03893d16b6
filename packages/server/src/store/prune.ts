/** What nobody needs any more is removed, a little at a time, so that the data does not grow for ever. */
import { itemAt } from '@lyvek/core';
import type pg from 'pg';
import { inTransaction } from './database.ts';
import type { Db } from './database.ts';
import { thinOut } from './thin-out.ts';

/** What was deleted can be restored for so many days. */
const DELETED_DAYS = 30;
/** Results of imports are read again after so many days. */
const IMPORT_DAYS = 30;
const BATCH = 2000;
const LOCK = 487_004;

const GONE = `deleted_at < now() - interval '${DELETED_DAYS} days'`;
const GONE_PAGES = `select id from pages where ${GONE} or project_id in (select id from projects where ${GONE})`;
const GONE_TAKES = `select id from takes where ${GONE} or page_id in (${GONE_PAGES})`;
const GONE_SETS = `select id from reference_sets where ${GONE} or page_id in (${GONE_PAGES})`;

/** In the order in which they refer to each other. */
const STEPS: readonly (string | ((db: Db) => Promise<number>))[] = [
  thinOut,
  `update takes set made_from = null, made_from_revision = null where made_from in (${GONE_TAKES})`,
  `delete from trials where take_id in (${GONE_TAKES})`,
  `delete from revisions where ctid in (select ctid from revisions where take_id in (${GONE_TAKES}) limit ${BATCH})`,
  `delete from takes where id in (${GONE_TAKES}) and not exists (select 1 from revisions r where r.take_id = takes.id)`,
  `delete from reference_pictures where set_id in (${GONE_SETS})`,
  `delete from reference_sets where id in (${GONE_SETS})`,
  `delete from layouts where page_id in (${GONE_PAGES})`,
  `delete from page_files where page_id in (${GONE_PAGES})`,
  `delete from pages where id in (${GONE_PAGES}) and not exists (select 1 from takes t where t.page_id = pages.id)`,
  `delete from unit_costs where project_id in (select id from projects where ${GONE})`,
  `delete from projects where ${GONE} and not exists (select 1 from pages x where x.project_id = projects.id)`,
  `delete from presets where ${GONE}`,
  // What an importer of another version has read is of no use after a while, nor what was read of a page that has gone.
  `delete from page_imports i where made_at < now() - interval '${IMPORT_DAYS} days'
     or not exists (select 1 from pages p where p.content_hash = i.content_hash)`,
  // One that somebody is about to use again is held by its foreign key: it is left for the next time.
  `delete from assets where hash in (
     select a.hash from assets a where not exists (select 1 from page_files f where f.hash = a.hash)
       and not exists (select 1 from reference_pictures r where r.hash = a.hash) limit 200)`,
];

/** Removes until nothing is left to remove, or `signal` ends it. Returns how many rows went. One server at a time. */
export async function prune(pool: pg.Pool, signal?: AbortSignal): Promise<number> {
  let gone = 0;
  for (const step of STEPS)
    for (let last = 1; last > 0 && !signal?.aborted;) {
      last = await inTransaction(pool, async (db) => {
        const { rows } = await db.query<{ mine: boolean }>('select pg_try_advisory_xact_lock($1) as mine', [
          LOCK,
        ]);
        if (!itemAt(rows, 0).mine) return 0;
        return typeof step === 'string' ? ((await db.query(step)).rowCount ?? 0) : step(db);
      });
      gone += last;
    }
  return gone;
}

export interface Stored {
  bytes: number;
  revisions: number;
  files: number;
}

/** How much there is, on disk. */
export const stored = async (db: Db): Promise<Stored> =>
  itemAt(
    (
      await db.query<Stored>(
        `select pg_database_size(current_database())::float8 as bytes,
         (select count(*)::float8 from revisions) as revisions, (select count(*)::float8 from assets) as files`,
      )
    ).rows,
    0,
  );
