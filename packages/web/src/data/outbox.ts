/** Edits that the server has not yet acknowledged, one per take, kept in IndexedDB. They survive a reload and a dead server. */
import { createStore, del, get, set } from 'idb-keyval';
import { DocumentSchema } from '@lyvek/core';
import { z } from 'zod';

const Pending = z.object({ base: z.number().int(), editId: z.string(), document: DocumentSchema });
export type Pending = z.infer<typeof Pending>;

export interface Outbox {
  read(takeId: string): Promise<Pending | null>;
  write(takeId: string, pending: Pending): Promise<void>;
  clear(takeId: string): Promise<void>;
}

let store: ReturnType<typeof createStore> | undefined;
const opened = () => (store ??= createStore('lyvek', 'outbox'));

export const browserOutbox: Outbox = {
  async read(takeId) {
    const parsed = Pending.safeParse(await get(takeId, opened()).catch(() => null));
    return parsed.success ? parsed.data : null;
  },
  write: (takeId, pending) => set(takeId, pending, opened()),
  clear: (takeId) => del(takeId, opened()),
};
