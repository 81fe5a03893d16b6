/** Takes: versions of the motions of a page. */
import { randomUUID } from 'node:crypto';
import type { MotionDocument } from '@lyvek/core';
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

export const TAKE_COLUMNS = `t.id, t.page_id as "pageId", t.name, t.revision,
  case when t.made_from is not null then jsonb_build_object('takeId', t.made_from, 'revision', t.made_from_revision) end as "madeFrom"`;

export const listTakes = async (db: Db, pageId: string): Promise<TakeRow[]> =>
  (
    await db.query<TakeRow>(
      `select ${TAKE_COLUMNS} from takes t where page_id = $1 and deleted_at is null order by created_at, name`,
      [pageId],
    )
  ).rows;

/** Those that were put away, the last one first. */
export const takesAway = async (db: Db, pageId: string): Promise<TakeRow[]> =>
  (
    await db.query<TakeRow>(
      `select ${TAKE_COLUMNS} from takes t where page_id = $1 and deleted_at is not null order by deleted_at desc limit 200`,
      [pageId],
    )
  ).rows;

export const takeById = async (db: Db, id: string): Promise<TakeRow | undefined> =>
  (await db.query<TakeRow>(`select ${TAKE_COLUMNS} from takes t where id = $1 and deleted_at is null`, [id]))
    .rows[0];

/** Rules of the page that its takes have taken over, by key. */
export const takenBy = async (db: Db, pageId: string): Promise<string[]> =>
  (
    await db.query<{ key: string }>(
      `select distinct jsonb_array_elements_text(imported_rules) as key from takes
       where page_id = $1 and deleted_at is null and jsonb_typeof(imported_rules) = 'array'`,
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

/** What is asked of the newest documents of many takes at once. */
export const toFacts = (document: MotionDocument) => ({
  rules: document.importedRules,
  presets: [...new Set(document.motions.flatMap((m) => m.preset?.id ?? []))],
});

/** Notes the same of takes that earlier versions have stored, all of whose documents are whole. Documents of version 1 said `taken`. */
export const fillFacts = async (db: Db, ids: readonly string[]): Promise<void> =>
  void (await db.query(
    `update takes t set
       imported_rules = coalesce(r.document -> 'importedRules', r.document -> 'taken', '[]'),
       presets = array(select distinct m -> 'preset' ->> 'id'
         from jsonb_array_elements(r.document -> 'motions') m where m ? 'preset')
     from revisions r
     where t.id = any($1) and r.take_id = t.id and r.number = t.revision
       and jsonb_typeof(r.document -> 'motions') = 'array'`,
    [ids],
  ));

export async function createTake(
  db: Db,
  pageId: string,
  name: string,
  document: MotionDocument,
  madeFrom: MadeFrom | null = null,
): Promise<TakeRow> {
  const id = randomUUID();
  const { rules, presets } = toFacts(document);
  await db.query(
    `insert into takes (id, page_id, name, revision, made_from, made_from_revision, imported_rules, presets)
     values ($1, $2, $3, 1, $4, $5, $6, $7)`,
    [
      ...[id, pageId, name, madeFrom?.takeId ?? null, madeFrom?.revision ?? null],
      JSON.stringify(rules),
      presets,
    ],
  );
  await db.query(
    'insert into revisions (take_id, number, edit_id, document, motions) values ($1, 1, $2, $3, $4)',
    [...[id, randomUUID(), JSON.stringify(document), document.motions.length]],
  );
  return { id, pageId, name, revision: 1, madeFrom };
}

export const renameTake = async (db: Db, id: string, name: string): Promise<boolean> =>
  (await db.query('update takes set name = $2 where id = $1 and deleted_at is null', [id, name])).rowCount ===
  1;

export const setTakeDeleted = async (db: Db, id: string, deleted: boolean): Promise<boolean> =>
  (await db.query('update takes set deleted_at = case when $2 then now() end where id = $1', [id, deleted]))
    .rowCount === 1;
