import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Db } from './database.ts';

export interface PageRow {
  id: string;
  projectId: string;
  name: string;
  entry: string;
  token: string;
  contentHash: string;
}

export interface PageFile {
  path: string;
  bytes: Uint8Array;
}

const COLUMNS = `id, project_id as "projectId", name, entry, token, content_hash as "contentHash"`;

export const listPages = async (db: Db, projectId: string): Promise<PageRow[]> =>
  (
    await db.query<PageRow>(
      `select ${COLUMNS} from pages where project_id = $1 and deleted_at is null order by created_at`,
      [projectId],
    )
  ).rows;

export const pageById = async (db: Db, id: string): Promise<PageRow | undefined> =>
  (await db.query<PageRow>(`select ${COLUMNS} from pages where id = $1 and deleted_at is null`, [id]))
    .rows[0];

export const pageByToken = async (db: Db, token: string): Promise<PageRow | undefined> =>
  (await db.query<PageRow>(`select ${COLUMNS} from pages where token = $1 and deleted_at is null`, [token]))
    .rows[0];

const sha256 = (bytes: Uint8Array | string) => createHash('sha256').update(bytes).digest('hex');

/** Stores the files by content and the page that they make. */
export async function createPage(
  db: Db,
  projectId: string,
  name: string,
  entry: string,
  files: readonly PageFile[],
): Promise<PageRow> {
  const id = randomUUID();
  const hashed = files.map((f) => ({ ...f, hash: sha256(f.bytes) }));
  const contentHash = sha256(
    hashed
      .map((f) => `${f.path}\0${f.hash}`)
      .sort()
      .join('\n'),
  );
  for (const f of hashed)
    await db.query('insert into assets (hash, bytes) values ($1, $2) on conflict do nothing', [
      f.hash,
      Buffer.from(f.bytes),
    ]);
  const token = randomBytes(16).toString('hex');
  await db.query(
    'insert into pages (id, project_id, name, entry, token, content_hash) values ($1, $2, $3, $4, $5, $6)',
    [id, projectId, name, entry, token, contentHash],
  );
  for (const f of hashed)
    await db.query('insert into page_files (page_id, path, hash) values ($1, $2, $3)', [id, f.path, f.hash]);
  return { id, projectId, name, entry, token, contentHash };
}

export const renamePage = async (db: Db, id: string, name: string): Promise<boolean> =>
  (await db.query('update pages set name = $2 where id = $1 and deleted_at is null', [id, name])).rowCount ===
  1;

export const setPageDeleted = async (db: Db, id: string, deleted: boolean): Promise<boolean> =>
  (await db.query('update pages set deleted_at = case when $2 then now() end where id = $1', [id, deleted]))
    .rowCount === 1;

export const fileOf = async (
  db: Db,
  pageId: string,
  path: string,
): Promise<{ bytes: Buffer; hash: string } | undefined> =>
  (
    await db.query<{ bytes: Buffer; hash: string }>(
      'select a.bytes, a.hash from page_files f join assets a using (hash) where f.page_id = $1 and f.path = $2',
      [pageId, path],
    )
  ).rows[0];

export const filesOf = async (db: Db, pageId: string): Promise<PageFile[]> =>
  (
    await db.query<PageFile>(
      'select f.path, a.bytes from page_files f join assets a using (hash) where f.page_id = $1 order by f.path',
      [pageId],
    )
  ).rows;
