/** Tells many who wait for newer revisions of takes: one question to the database for all of them, as long as somebody waits. */
import { setTimeout as rest } from 'node:timers/promises';
import type { Db } from './database.ts';
import { newestRevisions } from './revisions.ts';
import type { Newest } from './revisions.ts';

/** ms between looks */
const LOOK_MS = 150;

interface Waiter {
  takeId: string;
  /** whether it waits on */
  look(newest: Newest | undefined): boolean;
  fail(error: unknown): void;
}

export class TakeWatch {
  private readonly db: Db;
  private readonly waiters = new Set<Waiter>();
  private looking = false;

  constructor(db: Db) {
    this.db = db;
  }

  /**
   * The newest revision of a take, as soon as it is newer than `after`, when `ms` have passed, or once the signal is aborted; undefined
   * where the take is gone. Rejects when the database does.
   */
  wait(takeId: string, after: number, ms: number, signal: AbortSignal): Promise<Newest | undefined> {
    const until = Date.now() + ms;
    return new Promise((resolve, reject) => {
      this.waiters.add({
        takeId,
        look(newest) {
          const waits = newest && newest.revision <= after && Date.now() < until && !signal.aborted;
          if (!waits) resolve(newest);
          return waits === true;
        },
        fail: reject,
      });
      void this.lookOn();
    });
  }

  private async lookOn(): Promise<void> {
    if (this.looking) return;
    this.looking = true;
    for (; this.waiters.size > 0; await rest(LOOK_MS)) {
      const asking = [...this.waiters];
      try {
        const newest = await newestRevisions(this.db, [...new Set(asking.map((w) => w.takeId))]);
        for (const w of asking) if (!w.look(newest.get(w.takeId))) this.waiters.delete(w);
      } catch (error) {
        for (const w of asking) {
          this.waiters.delete(w);
          w.fail(error);
        }
      }
    }
    this.looking = false;
  }
}
