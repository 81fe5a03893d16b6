import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import type { MotionDocument } from '@lyvek/core';
import { inTransaction } from './database.ts';
import type { Db } from './database.ts';

export interface TakeRow {
  id: string;
  pageId: string;
  name: string;
  revision: number;
  madeFrom: MadeFrom | null;
}
/** A take, and which of its revisions. */
export interface MadeFrom {
  takeId: string;
  revision: number;
}

const COLUMNS = `t.id, t.page_id as "pageId", t.name, t.revision,
  case when t.made_from is not null then jsonb_build_object('takeId', t.made_from, 'revision', t.made_from_revision) end as "madeFrom"`;

export const listTakes = async (db: Db, pageId: string): Promise<TakeRow[]> =>
  (
    await db.query<TakeRow>(
      `select ${COLUMNS} from takes t where page_id = $1 and deleted_at is null order by created_at, name`,
      [pageId],
    )
  ).rows;

/** Those that were put away, the last one first. */
export const takesAway = async (db: Db, pageId: string): Promise<TakeRow[]> =>
  (
    await db.query<TakeRow>(
      `select ${COLUMNS} from takes t where page_id = $1 and deleted_at is not null order by deleted_at desc limit 200`,
      [pageId],
    )
  ).rows;

interface RevisionRow {
  number: number;
  at: string;
  motions: number;
  label: string | null;
}

/** Revisions older than `before`, the newest first. */
export const listRevisions = async (
  db: Db,
  takeId: string,
  before: number,
  most: number,
): Promise<RevisionRow[]> =>
  (
    await db.query<RevisionRow>(
      `select number, to_char(created_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at,
         jsonb_array_length(document -> 'motions') as motions, label
       from revisions where take_id = $1 and number < $2 order by number desc limit $3`,
      [takeId, before, most],
    )
  ).rows;

/** A take as it was at one of its revisions, even when it has been put away since. */
export const takeAt = async (
  db: Db,
  id: string,
  revision: number,
): Promise<(TakeRow & { document: unknown }) | undefined> => {
  const row = (
    await db.query<TakeRow & { document: unknown }>(
      `select ${COLUMNS}, r.document from takes t join revisions r on r.take_id = t.id and r.number = $2 where t.id = $1`,
      [id, revision],
    )
  ).rows[0];
  return row && { ...row, revision };
};

export const takeById = async (db: Db, id: string): Promise<TakeRow | undefined> =>
  (await db.query<TakeRow>(`select ${COLUMNS} from takes t where id = $1 and deleted_at is null`, [id]))
    .rows[0];

/** The newest revision of a take, and who made it. */
export const newestRevision = async (
  db: Db,
  id: string,
): Promise<{ revision: number; author: string | null } | undefined> =>
  (
    await db.query<{ revision: number; author: string | null }>(
      `select t.revision, r.author from takes t join revisions r on r.take_id = t.id and r.number = t.revision
       where t.id = $1 and t.deleted_at is null`,
      [id],
    )
  ).rows[0];

/** A take with its newest document. */
export const takeWithDocument = async (
  db: Db,
  id: string,
): Promise<(TakeRow & { document: unknown }) | undefined> =>
  (
    await db.query<TakeRow & { document: unknown }>(
      `select ${COLUMNS}, r.document from takes t join revisions r on r.take_id = t.id and r.number = t.revision
       where t.id = $1 and t.deleted_at is null`,
      [id],
    )
  ).rows[0];

/** Rules of the page that its takes have taken over, by key. */
export const takenBy = async (db: Db, pageId: string): Promise<string[]> =>
  (
    await db.query<{ key: string }>(
      // Documents of version 1 said `taken`.
      `select distinct jsonb_array_elements_text(rules) as key
       from takes t join revisions r on r.take_id = t.id and r.number = t.revision,
       lateral coalesce(r.document -> 'importedRules', r.document -> 'taken') rules
       where t.page_id = $1 and t.deleted_at is null and jsonb_typeof(rules) = 'array'`,
      [pageId],
    )
  ).rows.map((r) => r.key);

/** The next free letter: Take A, Take B … */
export async function nextTakeName(db: Db, pageId: string): Promise<string> {
  const names = new Set((await listTakes(db, pageId)).map((t) => t.name));
  for (let i = 0; ; i++) {
    const letter = String.fromCharCode(65 + (i % 26)) + (i >= 26 ? String(Math.floor(i / 26) + 1) : '');
    if (!names.has(`Take ${letter}`)) return `Take ${letter}`;
  }
}

export async function createTake(
  db: Db,
  pageId: string,
  name: string,
  document: MotionDocument,
  madeFrom: MadeFrom | null = null,
): Promise<TakeRow> {
  const id = randomUUID();
  await db.query(
    'insert into takes (id, page_id, name, revision, made_from, made_from_revision) values ($1, $2, $3, 1, $4, $5)',
    [id, pageId, name, madeFrom?.takeId ?? null, madeFrom?.revision ?? null],
  );
  await db.query('insert into revisions (take_id, number, edit_id, document) values ($1, 1, $2, $3)', [
    id,
    randomUUID(),
    JSON.stringify(document),
  ]);
  return { id, pageId, name, revision: 1, madeFrom };
}

export const renameTake = async (db: Db, id: string, name: string): Promise<boolean> =>
  (await db.query('update takes set name = $2 where id = $1 and deleted_at is null', [id, name])).rowCount ===
  1;

export const setTakeDeleted = async (db: Db, id: string, deleted: boolean): Promise<boolean> =>
  (await db.query('update takes set deleted_at = case when $2 then now() end where id = $1', [id, deleted]))
    .rowCount === 1;

export type Append =
  { kind: 'saved'; revision: number } | { kind: 'behind'; revision: number } | { kind: 'gone' };

/** What an edit did, in whose browser, and which earlier state it brings back. */
export interface EditFacts {
  label?: string | undefined;
  author?: string | undefined;
  before?: string | undefined;
  after?: string | undefined;
  sameAs?: number | undefined;
}

/** The revision that an edit brings back; null for one that makes something new. */
async function toSameAs(
  db: Db,
  takeId: string,
  { before, after, sameAs }: EditFacts,
): Promise<number | null> {
  const edit = before ?? after;
  if (edit === undefined) return sameAs ?? null;
  const known = await db.query<{ number: number }>(
    'select number from revisions where take_id = $1 and edit_id = $2',
    [takeId, edit],
  );
  const number = known.rows[0]?.number;
  return number === undefined ? null : before === undefined ? number : number - 1;
}

/**
 * What undoing the newest edit brings back, if this browser made it. Revisions that undid or redid something stand for the one that they
 * are the same as, so undo goes on from there instead of undoing itself.
 */
export async function earlierThanNewest(
  db: Db,
  takeId: string,
  author: string,
): Promise<{ earlier: { revision: number; label: string; document: unknown } | null; elsewhere: boolean }> {
  const root = (
    await db.query<{ number: number; label: string | null; author: string | null }>(
      `with recursive chain as (
         select r.number, r.same_as, r.label, r.author from revisions r
         join takes t on t.id = r.take_id and t.revision = r.number
         where t.id = $1 and t.deleted_at is null
         union
         select r.number, r.same_as, r.label, r.author from revisions r
         join chain c on r.take_id = $1 and r.number = c.same_as
       ) select number, label, author from chain where same_as is null`,
      [takeId],
    )
  ).rows[0];
  const none = { earlier: null, elsewhere: false };
  if (!root || root.number === 1) return none;
  if (root.author !== author) return { earlier: null, elsewhere: true };
  const before = await takeAt(db, takeId, root.number - 1);
  if (!before) return none;
  const { revision, document } = before;
  return { earlier: { revision, label: root.label ?? 'the last edit', document }, elsewhere: false };
}

/**
 * Appends a revision if `base` is still the newest. A retry of an edit that has already been stored is answered like the first
 * time, so that a lost answer never turns into a conflict.
 */
export const appendRevision = (
  pool: pg.Pool,
  takeId: string,
  base: number,
  document: MotionDocument,
  { editId, ...facts }: EditFacts & { editId: string },
): Promise<Append> =>
  inTransaction(pool, async (db) => {
    const take = (
      await db.query<{ revision: number }>(
        'select revision from takes where id = $1 and deleted_at is null for update',
        [takeId],
      )
    ).rows[0];
    if (!take) return { kind: 'gone' };
    const known = (
      await db.query<{ number: number }>('select number from revisions where take_id = $1 and edit_id = $2', [
        takeId,
        editId,
      ])
    ).rows[0];
    if (known) return { kind: 'saved', revision: known.number };
    if (take.revision !== base) return { kind: 'behind', revision: take.revision };
    const revision = base + 1;
    await db.query(
      `insert into revisions (take_id, number, edit_id, document, label, author, same_as)
       values ($1, $2, $3, $4, $5, $6, $7)`,
      [
        ...[takeId, revision, editId, JSON.stringify(document)],
        ...[facts.label ?? null, facts.author ?? null, await toSameAs(db, takeId, facts)],
      ],
    );
    await db.query('update takes set revision = $2 where id = $1', [takeId, revision]);
    return { kind: 'saved', revision };
  });
