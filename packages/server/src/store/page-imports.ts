/** Results of CSS imports, so that a page is read once and not once for every start of the server. */
import { createHash } from 'node:crypto';
import type { Refuted } from '@lyvek/core';
import type { Db } from './database.ts';

export interface ImportKey {
  contentHash: string;
  entry: string;
  /** what was left to the page */
  refuted: readonly Refuted[];
  /** fingerprint of the importer: another one reads other things */
  importer: string;
}

const toColumns = ({ contentHash, entry, refuted, importer }: ImportKey): string[] => [
  contentHash,
  entry,
  createHash('sha256').update(JSON.stringify(refuted)).digest('hex'),
  importer,
];

/** Undefined where it has not been read; null where there was nothing to read. */
export async function findPageImport(db: Db, key: ImportKey): Promise<unknown> {
  const { rows } = await db.query<{ result: unknown }>(
    `select result from page_imports where content_hash = $1 and entry = $2 and left_key = $3 and importer = $4`,
    toColumns(key),
  );
  return rows[0]?.result;
}

export async function putPageImport(db: Db, key: ImportKey, result: unknown): Promise<void> {
  await db.query(
    `insert into page_imports (content_hash, entry, left_key, importer, result) values ($1, $2, $3, $4, $5)
     on conflict do nothing`,
    [...toColumns(key), result === null ? null : JSON.stringify(result)],
  );
}
