/** Edits that cannot follow what the server has become a take of their own, act by act: each is a revision of it. */
import { itemAt, makeDocumentPatch, shorten } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { api, ApiError } from './api.ts';
import type { PutResult } from './autosave.ts';
import { browserJournal } from './journal.ts';
import type { Entry } from './journal.ts';

/**
 * Makes a take of acts that wait in the journal, and returns it. What of it does not reach the server stays in the journal, as acts of the
 * new take. Rejects where the take cannot be made; then the journal is as it was.
 */
export async function moveToOwnTake(
  pageId: string,
  list: readonly Entry[],
  name?: string,
): Promise<{ id: string; name: string }> {
  const { document } = itemAt(list, 0);
  const take = await api.createTake({ id: pageId, body: { ...(name ? { name } : {}), document } });
  let rest = list.slice(1).map((e) => ({ ...e, takeId: take.id, base: take.revision }));
  await browserJournal.remove(list, ...rest);
  let from = document;
  for (let [head, ...later] = rest; head; [head, ...later] = rest) {
    const result = await putDocument(head, from);
    if (result.kind !== 'saved') break;
    from = head.document;
    rest = later.map((e) => ({ ...e, base: result.revision }));
    await browserJournal.remove([head], ...rest);
  }
  return take;
}

/** At the opening of a take: returns the name of the take that was made. Without an answer the edits stay in the journal. */
export async function rescue(of: { pageId: string; name: string }, list: Entry[]): Promise<string[]> {
  try {
    const name = shorten(of.name, 120 - SUFFIX.length) + SUFFIX;
    return [(await moveToOwnTake(of.pageId, list, name)).name];
  } catch {
    return [];
  }
}
const SUFFIX = ', edits of another tab';

/** What a patch is answered with that the whole document may do better than: the server does not have what the patch speaks of. */
const UNFIT = new Set([409, 422]);

/** Sends one act: what it changes of the document that the server has, where that is known, else the whole. */
export async function putDocument(entry: Entry, from?: MotionDocument): Promise<PutResult> {
  const { takeId, base, editId, document, facts = {} } = entry;
  const given = { ...facts, id: takeId, base, editId };
  try {
    const { revision } = from
      ? await api.patchDocument({ ...given, body: makeDocumentPatch(from, document) })
      : await api.putDocument({ ...given, body: document });
    return { kind: 'saved', revision };
  } catch (error) {
    if (!(error instanceof ApiError)) return { kind: 'refused', why: String(error) };
    if (error.status === 412) return { kind: 'behind' };
    if (from && UNFIT.has(error.status)) return putDocument(entry);
    // What the server will never take is not tried again and again; it is said.
    return error.away
      ? { kind: 'away', full: error.status === 507 }
      : { kind: 'refused', why: error.message };
  }
}
