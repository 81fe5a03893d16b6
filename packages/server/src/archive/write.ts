/** Writes an archive: all data, or one project, as one zip, from one moment of the database while it goes on being used. */
import { once } from 'node:events';
import type { Writable } from 'node:stream';
import { AsyncZipDeflate, Zip, ZipPassThrough } from 'fflate';
import type pg from 'pg';
import { documentAt } from '../store/documents.ts';
import { TABLES, assetHashes } from './tables.ts';

export const MANIFEST = 'lyvek-archive.json';
/** Rows that are read at once. */
const BATCH = 200;

export interface ArchiveOptions {
  /** null: everything */
  project: string | null;
  /** all revisions of takes, or only the newest of each */
  revisions: 'all' | 'newest';
}

/** A zip that waits for whoever reads it. */
class ZipOut {
  private readonly zip: Zip;
  private failed: Error | null = null;
  private waits: Promise<unknown> = Promise.resolve();

  constructor(private readonly out: Writable) {
    this.zip = new Zip((error, chunk) => {
      if (error) this.failed = error;
      else if (!out.write(chunk)) this.waits = once(out, 'drain');
    });
  }

  async text(path: string, lines: AsyncIterable<string>): Promise<void> {
    const file = new AsyncZipDeflate(path, { level: 6 });
    this.zip.add(file);
    for await (const line of lines) {
      file.push(Buffer.from(line));
      await this.flowing();
    }
    await new Promise<void>((done) => {
      const { ondata } = file;
      file.ondata = (error, data, final) => {
        ondata(error, data, final);
        if (error || final) done();
      };
      file.push(new Uint8Array(0), true);
    });
    await this.flowing();
  }

  async bytes(path: string, bytes: Uint8Array): Promise<void> {
    const file = new ZipPassThrough(path);
    this.zip.add(file);
    file.push(bytes, true);
    await this.flowing();
  }

  async end(): Promise<void> {
    this.zip.end();
    await this.flowing();
  }

  private async flowing(): Promise<void> {
    if (this.failed) throw this.failed;
    if (this.out.destroyed) throw new Error('the archive is no longer wanted');
    await this.waits;
    this.waits = Promise.resolve();
  }
}

export async function writeArchive(pool: pg.Pool, out: Writable, options: ArchiveOptions): Promise<void> {
  const { project, revisions } = options;
  const db = await pool.connect();
  try {
    // One moment: what is saved meanwhile is in it whole or not at all.
    await db.query('begin transaction isolation level repeatable read read only');
    const zip = new ZipOut(out);
    const last = await db.query<{ name: string }>('select max(name) as name from migrations');
    const manifest = {
      ...{ format: 'lyvek-archive', version: 1, schema: last.rows[0]?.name ?? '' },
      ...{ scope: project === null ? 'all' : 'project', revisions },
    };
    await zip.bytes(MANIFEST, Buffer.from(`${JSON.stringify(manifest, null, 2)}\n`));
    for (const table of TABLES) {
      const where = [
        ...(project === null ? [] : [table.ofProject ?? 'true']),
        ...(table.name === 'revisions' && revisions === 'newest'
          ? ['number = (select revision from takes t where t.id = revisions.take_id)']
          : []),
      ].join(' and ');
      const rows = readRows(db, table.name, where, project);
      const alone = table.name === 'revisions' && revisions === 'newest';
      await zip.text(`tables/${table.name}.ndjson`, alone ? whole(db, rows) : rows);
    }
    const { rows } = await db.query<{ hash: string }>(
      assetHashes(project !== null),
      project === null ? [] : [project],
    );
    for (const { hash } of rows) {
      const found = await db.query<{ bytes: Buffer }>('select bytes from assets where hash = $1', [hash]);
      const bytes = found.rows[0]?.bytes;
      if (bytes) await zip.bytes(`assets/${hash}`, bytes);
    }
    await zip.end();
    await db.query('commit');
  } catch (error) {
    await db.query('rollback').catch(() => undefined);
    throw error;
  } finally {
    db.release();
  }
}

/** Revisions without those before them: each with its whole document. */
async function* whole(db: pg.PoolClient, batches: AsyncIterable<string>): AsyncGenerator<string> {
  for await (const batch of batches)
    for (const line of batch.split('\n').filter(Boolean)) {
      const row = JSON.parse(line) as { take_id: string; number: number };
      const stored = await documentAt(db, row.take_id, row.number);
      if (stored) yield `${JSON.stringify({ ...row, document: stored.json, patch: null })}\n`;
    }
}

/** Rows of a table as lines of JSON, a batch at a time. */
async function* readRows(
  db: pg.PoolClient,
  table: string,
  where: string,
  project: string | null,
): AsyncGenerator<string> {
  const values = where.includes('$1') ? [project] : [];
  await db.query(
    `declare rows no scroll cursor for select to_jsonb(${table})::text as row from ${table}${where ? ` where ${where}` : ''}`,
    values,
  );
  for (;;) {
    const { rows } = await db.query<{ row: string }>(`fetch ${BATCH} from rows`);
    if (rows.length === 0) break;
    yield rows.map((r) => `${r.row}\n`).join('');
  }
  await db.query('close rows');
}
