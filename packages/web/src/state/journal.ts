/**
 * Edits that the server has not acknowledged, in IndexedDB: one entry an act, in order, one journal for each opened take of each tab.
 * An entry is handed to the browser in the task that shows it, so it outlives a reload, a crash of the tab and a dead server.
 */
import { deleteDB, openDB } from 'idb';
import type { DBSchema, IDBPDatabase } from 'idb';
import { readDocument, itemAt, lastItem } from '@lyvek/core';
import type { EditQuery } from '@lyvek/api';
import type { MotionDocument } from '@lyvek/core';

export interface Entry {
  takeId: string;
  /** the journal that it stands in */
  journal: string;
  /** its place there */
  seq: number;
  /** names this edit to the server, so that a retry is harmless */
  editId: string;
  /** revision that it starts from; of entries that wait behind others, the newest known when it was written */
  base: number;
  /** when it was written, ms */
  at: number;
  document: MotionDocument;
  /** what it did; entries of earlier versions have none */
  facts?: EditFacts | undefined;
}

/** What an edit did, in whose browser, and which earlier state it brings back. */
export type EditFacts = EditQuery;

export interface Journal {
  /** Writes an entry, or replaces the one at its place. Rejects where the browser keeps nothing. */
  write(entry: Entry): Promise<void>;
  /** Takes entries out and, in the same transaction, writes others: what is left starts from another revision now, or is of another take. */
  remove(entries: readonly Entry[], ...written: readonly Entry[]): Promise<void>;
  /** Journals of this take whose tabs are gone, oldest first. They belong to the caller until `release`. */
  orphans(takeId: string): Promise<Entry[][]>;
  /** Says that a journal is in use, until the returned function is called or the tab ends. */
  hold(journal: string): () => void;
}

interface Schema extends DBSchema {
  journal: { key: [string, string, number]; value: Omit<Entry, 'document'> & { document: unknown } };
}

const toKey = (e: Entry): [string, string, number] => [e.takeId, e.journal, e.seq];
/** A tab that is being reloaded gives its lock back within this time, ms. */
const HANDOVER_MS = 400;

let opened: Promise<IDBPDatabase<Schema>> | undefined;
const database = () =>
  (opened ??= openDB<Schema>('lyvek-edits', 1, {
    upgrade: (db) => void db.createObjectStore('journal', { keyPath: ['takeId', 'journal', 'seq'] }),
    terminated: () => {
      opened = undefined;
      ready = null;
    },
  }));
let ready: IDBPDatabase<Schema> | null = null;

/** Opens the database ahead of the first edit: from then on a write goes out in the task that asks for it. */
export async function openJournal(): Promise<void> {
  ready ??= await database().then(
    async (db) => (await takeOver(db).catch(() => undefined), db),
    () => null,
  );
}

/** Earlier versions kept one edit a take in another database. */
async function takeOver(db: IDBPDatabase<Schema>): Promise<void> {
  const names = await indexedDB.databases();
  if (!names.some((d) => d.name === 'lyvek')) return;
  const old = await openDB('lyvek');
  if (old.objectStoreNames.contains('outbox'))
    for (const takeId of await old.getAllKeys('outbox')) {
      const { base, editId, document } = (await old.get('outbox', takeId)) as Entry;
      await db.put('journal', {
        takeId: String(takeId),
        journal: editId,
        seq: 0,
        editId,
        base,
        at: 0,
        document,
      });
    }
  old.close();
  await deleteDB('lyvek');
}

const findLock = (journal: string) => `lyvek-journal-${journal}`;

/** Takes the lock of a journal if its tab gives it up in time. */
function adopt(journal: string): Promise<(() => void) | null> {
  const locks = globalThis.navigator?.locks;
  if (!locks) return Promise.resolve(() => undefined);
  return new Promise((resolve) => {
    const late = AbortSignal.timeout(HANDOVER_MS);
    locks
      .request(findLock(journal), { signal: late }, () => new Promise<void>((end) => resolve(end)))
      .catch(() => resolve(null));
  });
}

export const browserJournal: Journal = {
  async write(entry) {
    const db = ready ?? (await database());
    const tx = db.transaction('journal', 'readwrite');
    const written = tx.store.put(entry);
    // Without waiting for the answer: the tab may be gone by then.
    tx.commit();
    await Promise.all([written, tx.done]);
  },
  async remove(entries, ...written) {
    const db = ready ?? (await database());
    const tx = db.transaction('journal', 'readwrite');
    const done = entries.map((e) => tx.store.delete(toKey(e)));
    const put = written.map((e) => tx.store.put(e));
    tx.commit();
    await Promise.all([...done, ...put, tx.done]);
  },
  async orphans(takeId) {
    await openJournal();
    if (!ready) return [];
    const all = await ready.getAll('journal', IDBKeyRange.bound([takeId], [takeId, []]));
    const lists = new Map<string, Entry[]>();
    for (const e of all) {
      const read = readDocument(e.document);
      // Of another version that cannot be read here: left where it is, for the version that can.
      if (!read.ok) continue;
      lists.set(e.journal, [...(lists.get(e.journal) ?? []), { ...e, document: read.document }]);
    }
    const mine = await Promise.all(
      [...lists.values()].map(async (list) => ((await adopt(itemAt(list, 0).journal)) ? list : null)),
    );
    return mine.filter((list) => list !== null).sort((a, b) => lastItem(a).at - lastItem(b).at);
  },
  hold(journal) {
    let end: (() => void) | null = null;
    let over = false;
    void globalThis.navigator?.locks
      ?.request(findLock(journal), () => new Promise<void>((done) => (over ? done() : (end = done))))
      .catch(() => undefined);
    return () => {
      over = true;
      end?.();
    };
  },
};
