/** References to compare with: sets of pictures of a page, each at its scroll offset. */
import { createHash, randomUUID } from 'node:crypto';
import type { Db } from './database.ts';

export interface ReferenceRow {
  id: string;
  pageId: string;
  name: string;
  pictures: { id: string; at: number }[];
}

const SELECT = `select s.id, s.page_id as "pageId", s.name, coalesce(
    (select json_agg(json_build_object('id', p.id, 'at', p.at) order by p.at, p.id) from reference_pictures p where p.set_id = s.id),
    '[]') as pictures
  from reference_sets s`;

export const listReferences = async (db: Db, pageId: string): Promise<ReferenceRow[]> =>
  (
    await db.query<ReferenceRow>(
      `${SELECT} where s.page_id = $1 and s.deleted_at is null order by s.created_at`,
      [pageId],
    )
  ).rows;

export const referenceById = async (db: Db, id: string): Promise<ReferenceRow | undefined> =>
  (await db.query<ReferenceRow>(`${SELECT} where s.id = $1 and s.deleted_at is null`, [id])).rows[0];

export async function createReference(db: Db, pageId: string, name: string): Promise<ReferenceRow> {
  const id = randomUUID();
  await db.query('insert into reference_sets (id, page_id, name) values ($1, $2, $3)', [id, pageId, name]);
  return { id, pageId, name, pictures: [] };
}

export const renameReference = async (db: Db, id: string, name: string): Promise<boolean> =>
  (await db.query('update reference_sets set name = $2 where id = $1 and deleted_at is null', [id, name]))
    .rowCount === 1;

export const setReferenceDeleted = async (db: Db, id: string, deleted: boolean): Promise<boolean> =>
  (
    await db.query('update reference_sets set deleted_at = case when $2 then now() end where id = $1', [
      id,
      deleted,
    ])
  ).rowCount === 1;

export async function addPicture(db: Db, setId: string, at: number, bytes: Uint8Array): Promise<void> {
  const hash = createHash('sha256').update(bytes).digest('hex');
  await db.query('insert into assets (hash, bytes) values ($1, $2) on conflict do nothing', [
    hash,
    Buffer.from(bytes),
  ]);
  await db.query('insert into reference_pictures (id, set_id, at, hash) values ($1, $2, $3, $4)', [
    randomUUID(),
    setId,
    at,
    hash,
  ]);
}

/** Puts a picture elsewhere; null takes it out. Answers with its set. */
export async function movePicture(db: Db, id: string, at: number | null): Promise<string | undefined> {
  const done =
    at === null
      ? await db.query<{ set_id: string }>('delete from reference_pictures where id = $1 returning set_id', [
          id,
        ])
      : await db.query<{ set_id: string }>(
          'update reference_pictures set at = $2 where id = $1 returning set_id',
          [id, at],
        );
  return done.rows[0]?.set_id;
}

export const pictureBytes = async (db: Db, id: string): Promise<Buffer | undefined> =>
  (
    await db.query<{ bytes: Buffer }>(
      'select a.bytes from reference_pictures p join assets a on a.hash = p.hash where p.id = $1',
      [id],
    )
  ).rows[0]?.bytes;
