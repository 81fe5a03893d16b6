import { createHash, randomBytes, randomInt, randomUUID } from 'node:crypto';
import { LayoutSchema, isVideoPath } from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import type { ImportProof } from '@lyvek/api';
import type { Db } from './database.ts';

export interface PageRow {
  id: string;
  projectId: string;
  name: string;
  entry: string;
  token: string;
  contentHash: string;
  /** it may load files from other hosts while it is previewed */
  outside: boolean;
  /** of a page under development: where its own server shows it, and the code that pairs it with the workbench */
  live: { url: string; code: string } | null;
}

export interface PageFile {
  path: string;
  bytes: Uint8Array;
}

const COLUMNS = `id, project_id as "projectId", name, entry, token, content_hash as "contentHash", outside,
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

/** What an opened page is told of it, as a text that is another one after every change; undefined without such a page. */
export const findPageState = async (db: Db, id: string): Promise<string | undefined> =>
  (
    await db.query<{ state: string }>(
      `select concat_ws(' ', x.xmin, p.xmin,
         (select count(*) from pages o where o.project_id = p.id and o.deleted_at is null),
         (select string_agg(t.xmin::text, ',' order by t.id) from takes t where t.page_id = x.id),
         (select string_agg(l.xmin::text, ',' order by l.width, l.height) from layouts l where l.page_id = x.id)) as state
       from pages x join projects p on p.id = x.project_id and p.deleted_at is null
       where x.id = $1 and x.deleted_at is null`,
      [id],
    )
  ).rows[0]?.state;

const sha256 = (bytes: Uint8Array | string) => createHash('sha256').update(bytes).digest('hex');

/** What was proved when the page was added; null where there was nothing to prove. */
export const findImportProof = async (db: Db, id: string): Promise<ImportProof | null> =>
  (
    await db.query<{ proof: ImportProof | null }>('select import_proof as proof from pages where id = $1', [
      id,
    ])
  ).rows[0]?.proof ?? null;

/** Stores files by content. */
async function storeFiles(
  db: Db,
  files: readonly PageFile[],
): Promise<{ hashed: (PageFile & { hash: string })[]; contentHash: string }> {
  const hashed = files.map((f) => ({ ...f, hash: sha256(f.bytes) }));
  const contentHash = sha256(
    hashed
      .map((f) => `${f.path}\0${f.hash}`)
      .sort()
      .join('\n'),
  );
  const unique = [...new Map(hashed.map((f) => [f.hash, f.bytes]))];
  for (const batch of inBatches(unique, ([, bytes]) => bytes.length))
    await db.query(
      'insert into assets (hash, bytes) select * from unnest($1::text[], $2::bytea[]) on conflict do nothing',
      [batch.map(([hash]) => hash), batch.map(([, bytes]) => Buffer.from(bytes))],
    );
  return { hashed, contentHash };
}

/** Lists whose sizes together stay below a few megabytes, so that no query carries a whole page. */
function* inBatches<T>(list: readonly T[], sizeOf: (one: T) => number): Generator<T[]> {
  let batch: T[] = [];
  let bytes = 0;
  for (const one of list) {
    if (batch.length && bytes + sizeOf(one) > BATCH_BYTES) {
      yield batch;
      [batch, bytes] = [[], 0];
    }
    batch.push(one);
    bytes += sizeOf(one);
  }
  if (batch.length) yield batch;
}
const BATCH_BYTES = 4e6;

const linkFiles = (db: Db, id: string, files: readonly { path: string; hash: string }[]) =>
  db.query('insert into page_files (page_id, path, hash) select $1, * from unnest($2::text[], $3::text[])', [
    id,
    files.map((f) => f.path),
    files.map((f) => f.hash),
  ]);

export interface NewPage {
  name: string;
  entry: string;
  files: readonly PageFile[];
  /** of its imported motions */
  proof?: ImportProof | null;
}

/** Stores the files and the page that they make. */
export async function createPage(
  db: Db,
  projectId: string,
  { name, entry, files, proof = null }: NewPage,
): Promise<PageRow> {
  const id = randomUUID();
  const { hashed, contentHash } = await storeFiles(db, files);
  const token = randomBytes(16).toString('hex');
  await db.query(
    'insert into pages (id, project_id, name, entry, token, content_hash, import_proof) values ($1, $2, $3, $4, $5, $6, $7)',
    [id, projectId, name, entry, token, contentHash, proof && JSON.stringify(proof)],
  );
  await linkFiles(db, id, hashed);
  return { id, projectId, name, entry, token, contentHash, outside: false, live: null };
}

/** Another version of a page: its takes stay, and the page as it was measured last is kept until what they have lost is settled. */
export async function replaceFiles(
  db: Db,
  id: string,
  entry: string,
  files: readonly PageFile[],
): Promise<void> {
  const { hashed, contentHash } = await storeFiles(db, files);
  await db.query(
    `update pages set entry = $2, content_hash = $3, former_layout = coalesce(
       (select l.layout from layouts l where l.page_id = pages.id and l.content_hash = pages.content_hash
        order by l.measured_at desc limit 1), former_layout)
     where id = $1`,
    [id, entry, contentHash],
  );
  await db.query('delete from page_files where page_id = $1', [id]);
  await linkFiles(db, id, hashed);
}

/** The page as it was measured before its files were replaced, or null where that is settled. */
export const formerLayout = async (db: Db, id: string): Promise<Layout | null> => {
  const { rows } = await db.query('select former_layout as layout from pages where id = $1', [id]);
  return LayoutSchema.safeParse(rows[0]?.layout).data ?? null;
};
export const forgetFormerLayout = async (db: Db, id: string): Promise<void> =>
  void (await db.query('update pages set former_layout = null where id = $1', [id]));

/** No letters that look alike, in lower case. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const newCode = (): string => Array.from({ length: 26 }, () => LETTERS[randomInt(LETTERS.length)]).join('');

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
  return { id, projectId, name, entry: '', token, contentHash: 'live', outside: false, live: { url, code } };
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

export const setPageOutside = async (db: Db, id: string, outside: boolean): Promise<boolean> =>
  (await db.query('update pages set outside = $2 where id = $1 and deleted_at is null', [id, outside]))
    .rowCount === 1;

export const setPageDeleted = async (db: Db, id: string, deleted: boolean): Promise<boolean> =>
  (await db.query('update pages set deleted_at = case when $2 then now() end where id = $1', [id, deleted]))
    .rowCount === 1;

export const toFile = async (
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

/** Those of its files that hold videos. */
export const listVideos = async (db: Db, pageId: string): Promise<PageFile[]> => {
  const paths = await db.query<{ path: string }>('select path from page_files where page_id = $1', [pageId]);
  const videos = paths.rows.map((r) => r.path).filter(isVideoPath);
  const files = await Promise.all(
    videos.map(async (path) => ({ path, bytes: (await toFile(db, pageId, path))?.bytes })),
  );
  return files.flatMap(({ path, bytes }) => (bytes ? [{ path, bytes }] : []));
};

export const listFiles = async (db: Db, pageId: string): Promise<PageFile[]> =>
  (
    await db.query<PageFile>(
      'select f.path, a.bytes from page_files f join assets a using (hash) where f.page_id = $1 order by f.path',
      [pageId],
    )
  ).rows;
