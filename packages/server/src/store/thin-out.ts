/** Old revisions are thinned out: what lay upon one that goes is laid upon the one before that stays, so that every other can be put together as before. */
import { itemAt, lastItem } from '@lyvek/core';
import type { DocumentPatch } from '@lyvek/core';
import type { Db } from './database.ts';
import { nextStored, toStore } from './documents.ts';
import type { StoredDocument, StoredRow } from './documents.ts';

/** Of every take the newest revisions stay, all of them. */
const NEWEST_KEPT = 200;
/** Revisions that go at once. */
const BATCH = 1000;

/**
 * Beyond the newest, and older than an hour, the last of its minute stays; after a day the last of its hour, after two weeks the last of its
 * day. The first revision stays whatever its age, and so do those that a take was made from.
 */
const OLD = `
  select take_id, array_agg(number order by number) as numbers from (
    select take_id, number from (
      select r.take_id, r.number,
        row_number() over (
          partition by r.take_id, date_trunc(case
            when r.created_at < now() - interval '14 days' then 'day'
            when r.created_at < now() - interval '1 day' then 'hour' else 'minute' end, r.created_at)
          order by r.number desc) as place
      from revisions r join takes t on t.id = r.take_id
      where r.number <= t.revision - ${NEWEST_KEPT} and r.created_at < now() - interval '1 hour'
    ) old
    where place > 1 and number > 1
      and not exists (select 1 from takes m where m.made_from = old.take_id and m.made_from_revision = old.number)
    order by take_id, number limit ${BATCH}
  ) batch group by take_id`;

/** From the whole document before the first that goes to the first that stays after the last. */
const CHAIN = `
  select number, document::text as document, patch from revisions where take_id = $1
    and number >= (select max(number) from revisions where take_id = $1 and number < $2 and document is not null)
    and number <= (select min(number) from revisions where take_id = $1 and number > $3)
  order by number`;

/** Rows that have to be written anew once the others have gone. */
function relaid(rows: readonly StoredRow[], going: ReadonlySet<number>) {
  const changed: { number: number; document: string | null; patch: string | null }[] = [];
  let now: StoredDocument | undefined;
  let under: StoredDocument | undefined;
  let gap = false;
  for (const row of rows) {
    now = nextStored(now, row);
    if (going.has(row.number)) {
      gap = true;
      continue;
    }
    if (gap && under && row.patch) {
      const { stored, document, patch } = toStore(under, row.number, now.json);
      changed.push({ number: row.number, document, patch });
      now = stored;
    } else if (under && row.patch) {
      const patched = under.patched + JSON.stringify(row.patch).length;
      now = { ...now, patched, patches: under.patches + 1 };
    }
    [under, gap] = [now, false];
  }
  return changed;
}

/** Removes some of the revisions that are to go, and returns how many; 0: none is left. Wants a transaction. */
export async function thinOut(db: Db): Promise<number> {
  let gone = 0;
  for (const take of (await db.query<{ take_id: string; numbers: number[] }>(OLD)).rows) {
    const { take_id: id, numbers } = take;
    const { rows } = await db.query<{ number: number; document: string | null; patch: DocumentPatch | null }>(
      CHAIN,
      [...[id, itemAt(numbers, 0), lastItem(numbers)]],
    );
    const changed = relaid(rows, new Set(numbers));
    await db.query('delete from revisions where take_id = $1 and number = any($2)', [id, numbers]);
    for (const { number, document, patch } of changed)
      await db.query('update revisions set document = $3, patch = $4 where take_id = $1 and number = $2', [
        ...[id, number, document, patch],
      ]);
    gone += numbers.length;
  }
  return gone;
}
