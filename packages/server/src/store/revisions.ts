/** Revisions of takes: appended, listed, and put together again. */
import type pg from 'pg';
import { applyDocumentPatch, readNext, withTies } from '@lyvek/core';
import type { DocumentPatch, DocumentProblem, MotionDocument } from '@lyvek/core';
import type { Db } from './database.ts';
import { asRead, documentAt, keepDocument, readStored, toStore } from './documents.ts';
import { TAKE_COLUMNS, takeById, toFacts } from './takes.ts';
import type { TakeRow } from './takes.ts';

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
         coalesce(motions, jsonb_array_length(document -> 'motions')) as motions, label
       from revisions where take_id = $1 and number < $2 order by number desc limit $3`,
      [takeId, before, most],
    )
  ).rows;

type TakeWithDocument = TakeRow & { document: object };

/** A take as it was at one of its revisions, even when it has been put away since. */
export async function takeAt(db: Db, id: string, revision: number): Promise<TakeWithDocument | undefined> {
  const take = (await db.query<TakeRow>(`select ${TAKE_COLUMNS} from takes t where t.id = $1`, [id])).rows[0];
  const stored = take && (await documentAt(db, id, revision));
  return stored && { ...take, revision, document: stored.json };
}

/** A take with its newest document. */
export async function takeWithDocument(db: Db, id: string): Promise<TakeWithDocument | undefined> {
  const take = await takeById(db, id);
  const stored = take && (await documentAt(db, id, take.revision));
  return stored && { ...take, document: stored.json };
}

export interface Newest {
  revision: number;
  author: string | null;
}

/** The newest revisions of takes, and who made them, by id. Those that are gone are not there. */
export const newestRevisions = async (db: Db, ids: readonly string[]): Promise<Map<string, Newest>> =>
  new Map(
    (
      await db.query<Newest & { id: string }>(
        `select t.id, t.revision, r.author from takes t, lateral (
           select author from revisions where take_id = t.id and number = t.revision limit 1) r
         where t.id = any($1) and t.deleted_at is null`,
        [ids],
      )
    ).rows.map(({ id, ...newest }) => [id, newest]),
  );

export type Append =
  | { kind: 'saved'; revision: number }
  | { kind: 'behind'; revision: number }
  | { kind: 'gone' }
  /** the patch speaks of what the document does not have */
  | { kind: 'unfit' }
  | { kind: 'refused'; problems: DocumentProblem[] };

/** What an edit did, in whose browser, and which earlier state it brings back. */
export interface EditFacts {
  label?: string | undefined;
  author?: string | undefined;
  before?: string | undefined;
  after?: string | undefined;
  sameAs?: number | undefined;
}

/**
 * What undoing the newest edit brings back, if this browser made it. Revisions that undid or redid something stand for the one that they
 * are the same as, so undo goes on from there instead of undoing itself.
 */
export async function earlierThanNewest(
  db: Db,
  takeId: string,
  author: string,
): Promise<{ earlier: { revision: number; label: string; document: object } | null; elsewhere: boolean }> {
  const root = (
    await db.query<{ number: number; label: string | null; author: string | null }>(
      `with recursive chain as (
         select number, same_as, label, author from revisions
         where take_id = $1 and number = (select revision from takes where id = $1 and deleted_at is null)
         union
         select r.number, r.same_as, r.label, r.author from chain c, lateral (
           select * from revisions where take_id = $1 and number = c.same_as limit 1) r
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

/** A whole document, or what makes it of the one that it starts from. */
export type Edit = { document: MotionDocument } | { patch: DocumentPatch };

/**
 * One statement, so that an edit is one round trip. The edit that it undoes or redoes is known by `$9`, and lies `$10` above what comes back;
 * revisions that undid something themselves stand for the one that they are the same as.
 */
const APPEND = `
  with saved as (
    update takes set revision = $2 + 1, imported_rules = coalesce($11, imported_rules), presets = $12
    where id = $1 and revision = $2 and deleted_at is null
      and not exists (select 1 from revisions where take_id = $1 and edit_id = $3)
    returning revision
  ), wanted as (
    select coalesce((select number - $10::int from revisions where take_id = $1 and edit_id = $9), $8::int) as number
  )
  insert into revisions (take_id, number, edit_id, document, patch, motions, label, author, same_as)
  select $1, saved.revision, $3, $4, $5, $6, $7, $13,
    coalesce((select same_as from revisions r where r.take_id = $1 and r.number = wanted.number), wanted.number)
  from saved, wanted returning number`;

/** Why an edit was not appended: it has been before, another one was faster, or the take is gone. */
async function whyNot(db: Db, takeId: string, editId: string): Promise<Append> {
  const row = (
    await db.query<{ revision: number; known: number | null }>(
      `select revision, (select number from revisions where take_id = $1 and edit_id = $2) as known
       from takes where id = $1 and deleted_at is null`,
      [takeId, editId],
    )
  ).rows[0];
  if (!row) return { kind: 'gone' };
  return row.known === null
    ? { kind: 'behind', revision: row.revision }
    : { kind: 'saved', revision: row.known };
}

/**
 * Appends a revision if `base` is still the newest. A retry of an edit that has already been stored is answered like the first
 * time, so that a lost answer never turns into a conflict.
 */
export async function appendRevision(
  pool: pg.Pool,
  takeId: string,
  base: number,
  edit: Edit,
  { editId, ...facts }: EditFacts & { editId: string },
): Promise<Append> {
  const before = await documentAt(pool, takeId, base);
  if (!before) return whyNot(pool, takeId, editId);
  const known = readStored(before.json);
  const made = makeNext(known.ok ? known.document : null, edit);
  if ('kind' in made) {
    // What a newer revision has it may be meant for.
    const why = await whyNot(pool, takeId, editId);
    return why.kind === 'behind' && why.revision === base ? made : why;
  }
  const next = asRead(withTies(made.document));
  const { stored, document, patch } = toStore(before, base + 1, next);
  const { rules, presets } = toFacts(next);
  const isSame = known.ok && known.document.importedRules === rules;
  const { rows } = await pool.query<{ number: number }>({
    name: 'append-revision',
    text: APPEND,
    values: [
      ...[takeId, base, editId, document, patch, next.motions.length, facts.label ?? null],
      ...[facts.sameAs ?? null, facts.before ?? facts.after ?? null, facts.before === undefined ? 0 : 1],
      ...[isSame ? null : JSON.stringify(rules), presets, facts.author ?? null],
    ],
  });
  const number = rows[0]?.number;
  if (number === undefined) return whyNot(pool, takeId, editId);
  keepDocument(takeId, stored);
  return { kind: 'saved', revision: number };
}

function makeNext(
  before: MotionDocument | null,
  edit: Edit,
): { document: MotionDocument } | { kind: 'unfit' } | { kind: 'refused'; problems: DocumentProblem[] } {
  if ('document' in edit) return edit;
  const json = before && applyDocumentPatch(before, edit.patch);
  if (!before || json === null) return { kind: 'unfit' };
  const read = readNext(before, json);
  return read.ok ? read : { kind: 'refused', problems: read.problems };
}
