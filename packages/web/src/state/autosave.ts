/**
 * Autosave of one take: every finished act becomes a revision. An act is written to the journal in the task that shows it, and taken
 * out once the server has acknowledged it; acts are sent one after the other, in order. Saved means: the journal is empty.
 */
import { itemAt, lastItem } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import type { EditFacts, Entry, Journal } from './journal.ts';

export type SaveState =
  | { kind: 'saved'; revision: number }
  | { kind: 'saving'; revision: number }
  /** the server is away, or its disk is full; edits are sent again by themselves. `kept`: the browser has them, whatever happens to this tab */
  | { kind: 'away'; revision: number; kept: boolean; full: boolean }
  /** another tab was faster */
  | { kind: 'conflict'; revision: number }
  | { kind: 'refused'; revision: number; why: string };

/** What a request may come back with. */
export type PutResult =
  | { kind: 'saved'; revision: number }
  | { kind: 'behind' }
  | { kind: 'away'; full?: boolean }
  | { kind: 'refused'; why: string };

export interface AutosaveOptions {
  takeId: string;
  revision: number;
  /** the document of that revision */
  document: MotionDocument;
  journal: Journal;
  /** Sends an act; `from`: the document that the server has at its base, where that is known. */
  put(entry: Entry, from?: MotionDocument): Promise<PutResult>;
  onState(state: SaveState): void;
  newId?: () => string;
  /** waits before trying again, ms */
  delays?: readonly number[];
}

const DELAYS = [400, 800, 1500, 3000];

export class Autosave {
  private readonly options: AutosaveOptions;
  private readonly name: string;
  private readonly release: () => void;
  private revision: number;
  /** what the server has at that revision */
  private known: MotionDocument;
  /** not acknowledged, in order */
  private entries: Entry[] = [];
  private seq = 0;
  /** the last entry is still being changed and is not sent yet */
  private held = false;
  private sending = false;
  private closing = false;
  private stuck: 'conflict' | 'refused' | null = null;
  private kept = true;
  private away = false;
  private full = false;
  private written: Promise<unknown> = Promise.resolve();
  private wake: (() => void) | null = null;

  constructor(options: AutosaveOptions) {
    this.options = options;
    this.revision = options.revision;
    this.known = options.document;
    this.name = this.id();
    this.release = options.journal.hold(this.name);
  }

  /** Sends what an earlier visit left behind. It moves into this journal first, so that a crash meanwhile loses nothing. */
  resume(left: readonly Entry[]): void {
    const moved = left.map((e) => ({ ...e, journal: this.name, seq: this.seq++ }));
    this.entries.push(...moved);
    for (const e of moved) this.write(e);
    this.written = this.written.then(() => this.options.journal.remove(left)).catch(() => undefined);
    void this.send();
  }

  /**
   * Takes a document to be saved, and returns the id of the edit. `held`: it is still being changed, and what comes next replaces it.
   */
  save(
    document: MotionDocument,
    { held = false, facts }: { held?: boolean; facts?: EditFacts } = {},
  ): string {
    const { takeId } = this.options;
    const last = this.entries.at(-1);
    if (this.held && last) this.write(Object.assign(last, { document, at: Date.now() }));
    else {
      // Refused ones are replaced by what follows, which holds all of them.
      if (this.stuck === 'refused') this.drop();
      const entry = {
        takeId,
        journal: this.name,
        seq: this.seq++,
        editId: this.id(),
        base: this.revision,
        at: Date.now(),
        document,
        ...(facts ? { facts } : {}),
      };
      this.entries.push(entry);
      this.write(entry);
    }
    this.held = held;
    // Said at once: from here on the shown document is ahead of the server.
    if (!this.stuck) this.say();
    if (!held) void this.send();
    return lastItem(this.entries).editId;
  }

  /** Nothing more replaces the last one: it is sent. */
  finish(): void {
    this.held = false;
    void this.send();
  }

  /** Somebody else has saved a newer revision, which is shown by now; false where something of this tab is on its way. */
  follow(revision: number, document: MotionDocument): boolean {
    if (this.entries.length > 0 || revision <= this.revision) return false;
    [this.revision, this.known] = [revision, document];
    this.say();
    return true;
  }

  /** Tries again at once, for instance when the browser is online again. */
  hurry(): void {
    this.wake?.();
  }

  /** Sends what can be sent now; the rest stays in the journal for the next visit. */
  stop(): void {
    this.closing = true;
    this.held = false;
    this.wake?.();
    void this.send().finally(() => this.written.finally(this.release));
  }

  /** What has not been acknowledged, in order. */
  list(): readonly Entry[] {
    return [...this.entries];
  }

  /** Forgets what has not been acknowledged. */
  async forget(): Promise<void> {
    const all = this.entries.splice(0);
    this.held = false;
    await this.options.journal.remove(all).catch(() => undefined);
  }

  private id = () => (this.options.newId ?? (() => crypto.randomUUID()))();

  private write(entry: Entry): void {
    const writing = this.options.journal.write({ ...entry }).then(
      () => (this.kept = true),
      () => {
        this.kept = false;
        if (this.away) this.say();
      },
    );
    this.written = Promise.all([this.written, writing]);
  }

  private drop(): void {
    const old = this.entries.splice(0);
    this.stuck = null;
    void this.options.journal.remove(old).catch(() => undefined);
  }

  private say(): void {
    const { revision, kept, full } = this;
    if (this.entries.length === 0) this.options.onState({ kind: 'saved', revision });
    else
      this.options.onState(this.away ? { kind: 'away', revision, kept, full } : { kind: 'saving', revision });
  }

  private async send(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    const { delays = DELAYS, journal, onState, put } = this.options;
    for (let attempt = 0; this.entries.length && !this.stuck;) {
      const head = itemAt(this.entries, 0);
      if (this.held && this.entries.length === 1) break;
      this.say();
      // Kept before it is sent: a crash between the two loses nothing.
      await this.written.catch(() => undefined);
      const result = await put(head, head.base === this.revision ? this.known : undefined);
      if (this.entries[0] !== head) continue;
      if (result.kind === 'away') {
        this.away = true;
        this.full = result.full ?? false;
        this.say();
        if (this.closing) break;
        await this.pause(itemAt(delays, Math.min(attempt++, delays.length - 1)));
        continue;
      }
      this.away = false;
      attempt = 0;
      if (result.kind === 'saved') {
        [this.revision, this.known] = [result.revision, head.document];
        this.entries.shift();
        const next = this.entries[0];
        if (next) next.base = result.revision;
        await journal.remove([head], ...(next ? [{ ...next }] : [])).catch(() => undefined);
        this.say();
      } else {
        this.stuck = result.kind === 'behind' ? 'conflict' : 'refused';
        onState(
          result.kind === 'behind'
            ? { kind: 'conflict', revision: this.revision }
            : { kind: 'refused', revision: this.revision, why: result.why },
        );
        // What came after it holds it too, as it was shown: that one may be taken.
        if (this.stuck === 'refused' && this.entries.length > 1) {
          itemAt(this.entries, 1).base = head.base;
          this.entries.shift();
          this.stuck = null;
          await journal.remove([head], { ...itemAt(this.entries, 0) }).catch(() => undefined);
        }
      }
    }
    this.sending = false;
  }

  private pause(ms: number): Promise<void> {
    return new Promise((resolve) => {
      const done = () => {
        clearTimeout(timer);
        this.wake = null;
        resolve();
      };
      const timer = setTimeout(done, ms);
      this.wake = done;
    });
  }
}
