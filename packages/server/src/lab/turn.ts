/** One browser of the lab at a time on a machine, whoever asks: trials and proofs would disturb each other’s figures and memory. */
import { itemAt } from '@lyvek/core';
import { hostname } from 'node:os';
import { setTimeout as rest } from 'node:timers/promises';
import type pg from 'pg';

/** One lock per machine, so that two servers on it do not measure each other. */
const LOCK = 487_003;
const ASK_EVERY_MS = 300;
/** So many may wait; the next one is told to come back. */
const MAX_WAITING = 12;

export class LabBusy extends Error {}

export class LabTurn {
  private last: Promise<void> = Promise.resolve();
  private waiting = 0;

  constructor(private readonly pool: pg.Pool) {}

  /** Does some work in its turn. Aborting gives the turn up; whoever waits behind goes on. */
  async run<T>(work: () => Promise<T>, signal: AbortSignal): Promise<T> {
    if (this.waiting >= MAX_WAITING)
      throw new LabBusy('The lab has enough to do for the moment. Try again in a minute.');
    const before = this.last;
    let done = () => {};
    this.last = new Promise<void>((resolve) => (done = resolve));
    this.waiting++;
    try {
      await Promise.race([before, aborted(signal)]);
    } catch (error) {
      void before.then(done);
      throw error;
    } finally {
      this.waiting--;
    }
    try {
      return await this.locked(work, signal);
    } finally {
      done();
    }
  }

  private async locked<T>(work: () => Promise<T>, signal: AbortSignal): Promise<T> {
    const client = await this.pool.connect();
    let broken = false;
    const ask = async (what: 'pg_try_advisory_lock' | 'pg_advisory_unlock') =>
      itemAt(
        (
          await client.query<{ done: boolean }>(`select ${what}($1, hashtext($2)) as done`, [
            LOCK,
            hostname(),
          ])
        ).rows,
        0,
      ).done;
    try {
      while (!(await ask('pg_try_advisory_lock'))) await rest(ASK_EVERY_MS, undefined, { signal });
      try {
        return await work();
      } finally {
        await ask('pg_advisory_unlock').catch(() => (broken = true));
      }
    } finally {
      // A connection in doubt is closed, and its lock with it.
      client.release(broken);
    }
  }
}

const aborted = (signal: AbortSignal): Promise<never> =>
  new Promise((_done, reject) => {
    const fail = () => reject(signal.reason as Error);
    if (signal.aborted) fail();
    else signal.addEventListener('abort', fail, { once: true });
  });
