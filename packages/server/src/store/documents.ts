/**
 * Documents of takes at their revisions. A revision is stored as a patch of the one before, and every so often as a whole; documents that
 * were asked for of late are kept in memory, where the next patch is laid upon them.
 */
import { LRUCache } from 'lru-cache';
import { applyDocumentPatch, lastItem, makeDocumentPatch, readDocument } from '@lyvek/core';
import type { DocumentPatch, DocumentRead, MotionDocument } from '@lyvek/core';
import type { Db } from './database.ts';

/**
 * After so many patches a document is stored as a whole, once they are as long together as it takes compressed: a large document with small
 * changes would be mostly wholes otherwise. And after so many at the latest, so that it is soon put together.
 */
const MIN_PATCHES = 50;
const MAX_PATCHES = 250;
const COMPRESSION = 16;
/** Characters of all that is kept; the ones that have not been asked for the longest go first. */
const MAX_KEPT = 64e6;
/** A patch of so many characters is held against the document that it makes. */
const LARGE_PATCH = 4000;

export interface StoredDocument {
  revision: number;
  /** as it is stored: of whatever version */
  json: object;
  /** patches since it was last stored as a whole, and about how many characters they have together */
  patches: number;
  patched: number;
  /** about so many characters */
  size: number;
}

const kept = new LRUCache<string, StoredDocument>({
  maxSize: MAX_KEPT,
  sizeCalculation: (d) => d.size + 1,
  ttl: 3_600_000,
});

/** Keeps what has become of a take, for the next edit of it. */
export const keepDocument = (takeId: string, document: StoredDocument): void =>
  void kept.set(takeId, document);

export interface StoredRow {
  number: number;
  /** JSON, where it is stored as a whole */
  document: string | null;
  patch: DocumentPatch | null;
}

/** Lays a row upon what was there before it. */
export function nextStored(before: StoredDocument | undefined, row: StoredRow): StoredDocument {
  if (row.document !== null)
    return {
      ...{ revision: row.number, json: JSON.parse(row.document) as object },
      ...{ patches: 0, patched: 0, size: row.document.length },
    };
  const json = before && row.patch && applyDocumentPatch(before.json, row.patch);
  if (!json)
    throw new Error(`Revision ${row.number} cannot be put together: what it is a patch of is not there.`);
  const patched = before.patched + JSON.stringify(row.patch).length;
  return { ...before, revision: row.number, json, patched, patches: before.patches + 1 };
}

const ROWS =
  'select number, document::text as document, patch from revisions where take_id = $1 and number <= $2';
/** From the newest one on that is stored as a whole. */
const FROM_WHOLE = `${ROWS} and number >= (
  select number from revisions where take_id = $1 and number <= $2 and document is not null order by number desc limit 1)
  order by number`;

/** A take's document at a revision, as it is stored; undefined where that revision is not there. */
export async function documentAt(
  db: Db,
  takeId: string,
  revision: number,
): Promise<StoredDocument | undefined> {
  const known = kept.get(takeId);
  if (known?.revision === revision) return known;
  const near =
    known && known.revision < revision && revision - known.revision < MAX_PATCHES ? known : undefined;
  let rows = near
    ? (
        await db.query<StoredRow>(`${ROWS} and number >= $3 order by number`, [
          takeId,
          revision,
          near.revision,
        ])
      ).rows
    : [];
  // Once old revisions have been thinned out, patches lie upon others than this one.
  const follows = near !== undefined && rows[0]?.number === near.revision;
  if (!follows) rows = (await db.query<StoredRow>(FROM_WHOLE, [takeId, revision])).rows;
  if (rows.length === 0 || lastItem(rows).number !== revision) return undefined;
  const from = follows ? near : undefined;
  const document = rows.slice(from ? 1 : 0).reduce<StoredDocument | undefined>(nextStored, from);
  if (document && !(known && known.revision > revision)) keepDocument(takeId, document);
  return document;
}

/** What a revision is stored as: the patch, or the whole where that is not much longer or it is time for one. */
export function toStore(
  before: StoredDocument,
  revision: number,
  next: object,
): { stored: StoredDocument; document: string | null; patch: string | null } {
  const patch = JSON.stringify(makeDocumentPatch(before.json, next));
  const [patches, patched] = [before.patches + 1, before.patched + patch.length];
  const isLong = patched > before.size / COMPRESSION;
  const isTime = patches >= MAX_PATCHES || (patches >= MIN_PATCHES && isLong);
  const text = isTime || patch.length > LARGE_PATCH ? JSON.stringify(next) : null;
  const whole = text !== null && (isTime || patch.length > text.length / 2);
  const stored = {
    ...{ revision, json: next, patches: whole ? 0 : patches, patched: whole ? 0 : patched },
    size: text?.length ?? before.size + patch.length,
  };
  return { stored, document: whole ? text : null, patch: whole ? null : patch };
}

const readings = new WeakMap<object, DocumentRead>();

/** Says that a document is read as itself. */
export const asRead = (document: MotionDocument): MotionDocument => {
  readings.set(document, { ok: true, document });
  return document;
};

/** Like `readDocument`, once for each document in memory. */
export function readStored(json: object): DocumentRead {
  let read = readings.get(json);
  if (!read) readings.set(json, (read = readDocument(json)));
  return read;
}
