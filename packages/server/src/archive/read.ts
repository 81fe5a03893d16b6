/** Brings an archive back, in one transaction: whole or not at all. What is here already stays; what has its id comes beside it. */
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { unzipSync } from 'fflate';
import type pg from 'pg';
import * as z from 'zod';
import { itemAt } from '@lyvek/core';
import { Problem } from '../http/problem.ts';
import { inTransaction } from '../store/database.ts';
import type { Db } from '../store/database.ts';
import { fillFacts } from '../store/takes.ts';
import { TABLES } from './tables.ts';
import type { ArchivedTable } from './tables.ts';
import { MANIFEST } from './write.ts';

const Manifest = z.looseObject({
  format: z.literal('lyvek-archive'),
  version: z.number().int(),
  schema: z.string(),
});
/** Unpacked, bytes: what a machine can hold in memory. */
const MAX_UNPACKED = 2e9;

type Row = Record<string, unknown>;

export interface Restored {
  projects: { id: string; name: string }[];
  /** presets that came along and were not here */
  presets: number;
}

const refuse = (detail: string) => new Problem(422, 'No archive', detail);

function unpacked(bytes: Uint8Array): Record<string, Uint8Array> {
  let total = 0;
  try {
    return unzipSync(bytes, {
      filter({ name, originalSize }) {
        total += originalSize;
        if (total > MAX_UNPACKED)
          throw refuse(`Unpacked it has more than ${MAX_UNPACKED / 1e9} GB, which is the limit.`);
        return name === MANIFEST || /^(tables\/\w+\.ndjson|assets\/[0-9a-f]{64})$/.test(name);
      },
    });
  } catch (error) {
    if (error instanceof Problem) throw error;
    throw refuse('It is not a zip, or a part of it is damaged. Nothing was changed.');
  }
}

function readManifest(files: Record<string, Uint8Array>, schema: string): void {
  const text = files[MANIFEST];
  if (!text)
    throw refuse(`There is no ${MANIFEST} in it: it is not a backup or a project that Lyvek has saved.`);
  let read;
  try {
    read = Manifest.safeParse(JSON.parse(Buffer.from(text).toString('utf8')));
  } catch {
    read = null;
  }
  if (!read?.success) throw refuse(`Its ${MANIFEST} cannot be read. Nothing was changed.`);
  if (read.data.version > 1 || read.data.schema > schema)
    throw refuse('It was saved by a newer version of Lyvek. Restore it with that version.');
}

function readRows(files: Record<string, Uint8Array>, table: string): Row[] {
  const text = Buffer.from(files[`tables/${table}.ndjson`] ?? new Uint8Array(0)).toString('utf8');
  return text
    .split('\n')
    .filter(Boolean)
    .map((line, i) => {
      try {
        return JSON.parse(line) as Row;
      } catch {
        throw refuse(`Row ${i + 1} of ${table} cannot be read. Nothing was changed.`);
      }
    });
}

/** Ids of these rows that are here already, of the tables that have one. */
async function takenIds(db: Db, rows: ReadonlyMap<string, Row[]>): Promise<Set<string>> {
  const taken = new Set<string>();
  for (const [table, list] of rows) {
    const ids = list.flatMap((r) => (typeof r.id === 'string' ? [r.id] : []));
    if (ids.length === 0) continue;
    const known = await db.query<{ id: string }>(
      `select id::text from ${table} where id::text = any($1::text[])`,
      [ids],
    );
    for (const { id } of known.rows) taken.add(id);
  }
  return taken;
}

/** Presets that are here as they are in the archive: they are the same ones. */
async function knownPresets(db: Db, rows: readonly Row[]): Promise<Set<string>> {
  const same = new Set<string>();
  for (const r of rows) {
    const known = await db.query('select 1 from presets where id = $1 and body = $2 and deleted_at is null', [
      r.id,
      JSON.stringify(r.body),
    ]);
    if (known.rowCount) same.add(String(r.id));
  }
  return same;
}

/** Everything in which an id is named, by its new one. Ids are random: as text they stand for nothing else. */
function renamed(rows: readonly Row[], ids: ReadonlyMap<string, string>): Row[] {
  if (ids.size === 0) return [...rows];
  return rows.map(
    (r) =>
      JSON.parse(
        JSON.stringify(r).replace(/[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, (id) => ids.get(id) ?? id),
      ) as Row,
  );
}

async function insert(db: Db, table: ArchivedTable, rows: readonly Row[]): Promise<void> {
  if (rows.length === 0) return;
  const known = await db.query<{ name: string }>(
    `select column_name as name from information_schema.columns where table_schema = current_schema and table_name = $1`,
    [table.name],
  );
  const columns = known.rows.map((c) => c.name).filter((c) => rows.some((r) => c in r));
  const list = columns.map((c) => `"${c}"`).join(', ');
  // What must be its own on a machine is made anew where somebody has it.
  for (const column of table.unique ?? []) {
    const values = rows.flatMap((r) => (typeof r[column] === 'string' ? [r[column]] : []));
    const taken = new Set(
      (
        await db.query<{ value: string }>(
          `select ${column} as value from ${table.name} where ${column} = any($1)`,
          [values],
        )
      ).rows.map((r) => r.value),
    );
    for (const r of rows)
      if (typeof r[column] === 'string' && taken.has(r[column])) r[column] = randomBytes(16).toString('hex');
  }
  for (const batch of inBatches(rows))
    await db.query(
      `insert into ${table.name} (${list})
       select ${list} from jsonb_populate_recordset(null::${table.name}, $1::jsonb)`,
      [`[${batch.join(',')}]`],
    );
}

/** Rows as JSON, so many megabytes at once: what one query may carry. */
const BATCH_CHARS = 16e6;
function* inBatches(rows: readonly Row[]): Generator<string[]> {
  let batch: string[] = [];
  let chars = 0;
  for (const r of rows) {
    const text = JSON.stringify(r);
    if (batch.length && chars + text.length > BATCH_CHARS) {
      yield batch;
      [batch, chars] = [[], 0];
    }
    batch.push(text);
    chars += text.length;
  }
  if (batch.length) yield batch;
}

async function insertAssets(db: Db, files: Record<string, Uint8Array>): Promise<void> {
  for (const [path, bytes] of Object.entries(files)) {
    if (!path.startsWith('assets/')) continue;
    const hash = path.slice('assets/'.length);
    if (createHash('sha256').update(bytes).digest('hex') !== hash)
      throw refuse(`The file ${hash.slice(0, 12)}… in it is damaged. Nothing was changed.`);
    await db.query('insert into assets (hash, bytes) values ($1, $2) on conflict do nothing', [
      hash,
      Buffer.from(bytes),
    ]);
  }
}

export const restoreArchive = (pool: pg.Pool, bytes: Uint8Array): Promise<Restored> => {
  const files = unpacked(bytes);
  return inTransaction(pool, async (db) => {
    const last = await db.query<{ name: string }>('select max(name) as name from migrations');
    readManifest(files, itemAt(last.rows, 0).name);
    const all = new Map(TABLES.map((t) => [t.name, readRows(files, t.name)]));
    const same = await knownPresets(db, all.get('presets') ?? []);
    all.set(
      'presets',
      (all.get('presets') ?? []).filter((r) => !same.has(String(r.id))),
    );
    const taken = await takenIds(db, all);
    // What is here stays as it is: a whole archive comes beside it under new ids, or keeps its own.
    const clash = taken.size > 0;
    const ids = new Map<string, string>();
    if (clash)
      for (const list of all.values())
        for (const r of list) if (typeof r.id === 'string') ids.set(r.id, randomUUID());
    await insertAssets(db, files);
    const restored: Restored = { projects: [], presets: (all.get('presets') ?? []).length };
    for (const table of TABLES) {
      const rows = renamed(all.get(table.name) ?? [], ids);
      if (table.name === 'projects') {
        // Only one project is the demo.
        const demo = await db.query('select 1 from projects where demo');
        if (demo.rowCount) for (const r of rows) r.demo = false;
        restored.projects = rows
          .filter((r) => r.deleted_at === null || r.deleted_at === undefined)
          .map((r) => ({ id: String(r.id), name: String(r.name) }));
      }
      try {
        await insert(db, table, rows);
      } catch (error) {
        throw refuse(`Its ${table.name} cannot be stored: ${(error as Error).message}. Nothing was changed.`);
      }
    }
    const old = (all.get('takes') ?? []).filter((r) => !('imported_rules' in r));
    await fillFacts(
      db,
      renamed(old, ids).map((r) => String(r.id)),
    );
    return restored;
  });
};
