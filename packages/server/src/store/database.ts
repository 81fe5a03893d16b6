/** The pool, transactions and migrations. Plain SQL everywhere. */
import { readFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import pg from 'pg';
import type { Logger } from 'pino';

export type Db = Pick<pg.Pool, 'query'>;

export function openPool(url: string, log: Logger): pg.Pool {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 4000 });
  // A connection that dies while idle is replaced at the next query.
  pool.on('error', (error) => log.warn({ err: error.message }, 'a database connection was lost'));
  return pool;
}

/** Runs `work` in one transaction; any error rolls it back. */
export async function inTransaction<T>(pool: pg.Pool, work: (db: Db) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  let broken = false;
  try {
    await client.query('begin');
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch(() => (broken = true));
    throw error;
  } finally {
    client.release(broken);
  }
}

const MIGRATION_LOCK = 487_001;

/** Applies the numbered files that are not yet applied, in order. Several servers may start at once. */
export async function migrate(pool: pg.Pool, dir: string): Promise<string[]> {
  const files = (await readdir(dir)).filter((f) => /^\d{3}_.*\.sql$/.test(f)).sort();
  return inTransaction(pool, async (db) => {
    await db.query('select pg_advisory_xact_lock($1)', [MIGRATION_LOCK]);
    await db.query(
      'create table if not exists migrations (name text primary key, applied_at timestamptz not null default now())',
    );
    const done = new Set(
      (await db.query<{ name: string }>('select name from migrations')).rows.map((r) => r.name),
    );
    const fresh = files.filter((f) => !done.has(f));
    for (const file of fresh) {
      await db.query(await readFile(join(dir, file), 'utf8'));
      await db.query('insert into migrations (name) values ($1)', [file]);
    }
    return fresh;
  });
}
