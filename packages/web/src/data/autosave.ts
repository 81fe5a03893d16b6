/**
 * Autosave of one take: every finished act becomes a revision. The newest document is written to the outbox before it is sent;
 * one request is under way at a time, and what comes meanwhile is sent after it.
 */
import type { MotionDocument } from '@lyvek/core';
import type { Outbox, Pending } from './outbox.ts';

export type SaveState =
  | { is: 'saved'; revision: number }
  | { is: 'saving'; revision: number }
  /** the server is away; the edit is kept in this browser and sent again by itself */
  | { is: 'away'; revision: number }
  /** another tab was faster */
  | { is: 'conflict'; revision: number }
  | { is: 'refused'; revision: number; why: string };

/** What a request may come back with. */
export type PutResult =
  { is: 'saved'; revision: number } | { is: 'behind' } | { is: 'away' } | { is: 'refused'; why: string };

export interface AutosaveOptions {
  takeId: string;
  revision: number;
  outbox: Outbox;
  put(base: number, editId: string, document: MotionDocument): Promise<PutResult>;
  onState(state: SaveState): void;
  newId?: () => string;
  /** waits before trying again, ms */
  delays?: readonly number[];
}

export class Autosave {
  private readonly options: AutosaveOptions;
  private revision: number;
  private waiting: MotionDocument | null = null;
  private sending = false;
  private stopped = false;
  private wake: (() => void) | null = null;
  private conflicting = false;

  constructor(options: AutosaveOptions) {
    this.options = options;
    this.revision = options.revision;
  }

  /** Sends what an earlier visit left behind. */
  resume(pending: Pending): void {
    void this.work(pending);
  }

  /** Takes a document to be saved. During a conflict it only waits in memory and in the outbox. */
  save(document: MotionDocument): void {
    this.waiting = document;
    if (this.conflicting) {
      void this.options.outbox.write(this.options.takeId, {
        base: this.revision,
        editId: this.id(),
        document,
      });
      return;
    }
    if (!this.sending) void this.work(null);
  }

  /** Tries again at once, for instance when the browser is online again. */
  hurry(): void {
    this.wake?.();
  }

  stop(): void {
    this.stopped = true;
    this.wake?.();
  }

  private id = () => (this.options.newId ?? (() => crypto.randomUUID()))();

  private async work(first: Pending | null): Promise<void> {
    this.sending = true;
    let pending = first;
    while (!this.stopped) {
      if (!pending) {
        if (!this.waiting) break;
        pending = { base: this.revision, editId: this.id(), document: this.waiting };
        this.waiting = null;
      }
      // Said at once: from here on the shown document is ahead of the server.
      this.options.onState({ is: 'saving', revision: this.revision });
      // Kept before it is sent: a crash between the two loses nothing.
      await this.options.outbox.write(this.options.takeId, pending).catch(() => undefined);
      if (!(await this.deliver(pending))) break;
      pending = null;
    }
    this.sending = false;
  }

  /** True when the edit has arrived; false when it never will by itself. */
  private async deliver(pending: Pending): Promise<boolean> {
    const { delays = [400, 800, 1500, 3000], outbox, takeId, onState } = this.options;
    for (let attempt = 0; !this.stopped; attempt++) {
      const result = await this.options.put(pending.base, pending.editId, pending.document);
      if (this.stopped) return false;
      if (result.is === 'saved') {
        this.revision = result.revision;
        if (!this.waiting) await outbox.clear(takeId).catch(() => undefined);
        onState({ is: 'saved', revision: this.revision });
        return true;
      }
      if (result.is === 'behind') {
        this.conflicting = true;
        onState({ is: 'conflict', revision: this.revision });
        return false;
      }
      if (result.is === 'refused') {
        onState({ is: 'refused', revision: this.revision, why: result.why });
        return false;
      }
      onState({ is: 'away', revision: this.revision });
      await this.pause(delays[Math.min(attempt, delays.length - 1)]!);
    }
    return false;
  }

  private pause(ms: number): Promise<void> {
    return new Promise((resolve) => {
      const timer = setTimeout(done, ms);
      const end = () => resolve();
      function done() {
        clearTimeout(timer);
        end();
      }
      this.wake = done;
    });
  }
}
