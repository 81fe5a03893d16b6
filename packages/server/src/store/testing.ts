/** A database of its own for a file of tests: a copy of one that has been migrated once. */
import { afterAll, beforeAll } from '@jest/globals';
import { randomBytes } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { migrate } from './database.ts';

const TEMPLATE = 'lyvek_template';
const LOCK = 487_010;
const MIGRATIONS = fileURLToPath(new URL('../migrations', import.meta.url));

const toUrl = (base: string, database: string): string => {
  const url = new URL(base);
  url.pathname = `/${database}`;
  return url.href;
};

async function ensureTemplate(base: string, admin: pg.Client): Promise<void> {
  await admin.query('select pg_advisory_lock($1)', [LOCK]);
  try {
    const { rowCount } = await admin.query('select 1 from pg_database where datname = $1', [TEMPLATE]);
    if (rowCount) return;
    const name = `${TEMPLATE}_new`;
    await admin.query(`drop database if exists ${name}`);
    await admin.query(`create database ${name}`);
    const pool = new pg.Pool({ connectionString: toUrl(base, name), max: 1 });
    await migrate(pool, MIGRATIONS);
    await pool.end();
    await admin.query(`alter database ${name} rename to ${TEMPLATE}`);
  } finally {
    await admin.query('select pg_advisory_unlock($1)', [LOCK]);
  }
}

/** Its pool, from the first test on. */
export function useDatabase(): () => pg.Pool {
  const base = process.env.LYVEK_TEST_DATABASE;
  const name = `lyvek_${randomBytes(6).toString('hex')}`;
  let admin: pg.Client;
  let pool: pg.Pool;
  beforeAll(async () => {
    if (!base) throw new Error('These tests need a database. Run them with:  npm run test:unit -- FILE');
    admin = new pg.Client({ connectionString: base });
    await admin.connect();
    await ensureTemplate(base, admin);
    await admin.query(`create database ${name} template ${TEMPLATE}`);
    pool = new pg.Pool({ connectionString: toUrl(base, name), max: 4 });
    // The pool says that it has ended while some of its connections are still closing: dropping the database ends those.
    pool.on('error', () => undefined);
    pool.on('connect', (client) => client.on('error', () => undefined));
  }, 60_000);
  afterAll(async () => {
    await pool?.end();
    await admin?.query(`drop database if exists ${name} with (force)`);
    await admin?.end();
  });
  return () => pool;
}
