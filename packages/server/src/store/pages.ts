import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Db } from './database.ts';

export interface PageRow {
  id: string;
  projectId: string;
  name: string;
  entry: string;
  token: string;
  contentHash: string;
  /** of a page under development: where its own server shows it, and the code that pairs it with the workbench */
  live: { url: string; code: string } | null;
}

export interface PageFile {
  path: string;
  bytes: Uint8Array;
}

const COLUMNS = `id, project_id as "projectId", name, entry, token, content_hash as "contentHash",
  case when live_url is null then null else json_build_object('url', live_url, 'code', pairing_code) end as live`;

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
  return { id, projectId, name, entry, token, contentHash, live: null };
}

/** No letters that look alike, in lower case. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const newCode = (): string => [...randomBytes(26)].map((b) => LETTERS[b % LETTERS.length]).join('');

/** A page that its own server shows. It has no files and never another content. */
export async function createLivePage(db: Db, projectId: string, name: string, url: string): Promise<PageRow> {
  const id = randomUUID();
  const token = randomBytes(16).toString('hex');
  const code = newCode();
  await db.query(
    `insert into pages (id, project_id, name, entry, token, content_hash, live_url, pairing_code)
     values ($1, $2, $3, '', $4, 'live', $5, $6)`,
    [id, projectId, name, token, url, code],
  );
  return { id, projectId, name, entry: '', token, contentHash: 'live', live: { url, code } };
}

export const pageByCode = async (db: Db, code: string): Promise<PageRow | undefined> =>
  (
    await db.query<PageRow>(`select ${COLUMNS} from pages where pairing_code = $1 and deleted_at is null`, [
      code,
    ])
  ).rows[0];

/** A new code: pages with the old one are no longer let in. */
export const renewCode = async (db: Db, id: string): Promise<boolean> =>
  (
    await db.query('update pages set pairing_code = $2 where id = $1 and pairing_code is not null', [
      id,
      newCode(),
    ])
  ).rowCount === 1;

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
