/** One opened take: its document, undo and redo, selection, and autosave. Framework-free; React subscribes to the store. */
import { createStore } from 'zustand/vanilla';
import type { StoreApi } from 'zustand/vanilla';
import type { Edited, EditView, MediaFacts, MotionDocument, Operation } from '@lyvek/core';
import { activeMedia, applyOperation, underMedia, whyUnsound, itemAt } from '@lyvek/core';
import type { TakeDocument } from '@lyvek/api';
import { api } from './api.ts';
import { Autosave } from './autosave.ts';
import type { SaveState } from './autosave.ts';
import { afterAct, afterStep } from './history.ts';
import type { Act, Beside, History } from './history.ts';
import { author } from './author.ts';
import { browserJournal } from './journal.ts';
import { moveToOwnTake, putDocument, rescue } from './own-take.ts';

export interface TakeState {
  takeId: string;
  document: MotionDocument;
  /** what a drag or a tried effect shows right now; null outside of one */
  tried: MotionDocument | null;
  past: Act[];
  future: Act[];
  selection: string[];
  /** the screen that is looked at, which says what media conditions hold */
  facts: MediaFacts | null;
  /** the media condition that edits count for; null: wherever the seen value is written */
  scope: string | null;
  save: SaveState;
  /** the last act that could not be done, and why */
  blocked: { why: string } | null;
}

/** A change that is only shown. It ends when it is done or cancelled, and when anything else is done or shown. */
export interface Lease {
  show(operation: Operation): void;
  commit(operation: Operation): void;
  cancel(): void;
}

const activeIn = (d: MotionDocument, facts: MediaFacts | null): string[] =>
  facts ? activeMedia(d, facts) : [];

/** The document as it is seen on the screen that is looked at. */
export const makeSeen = (s: Pick<TakeState, 'document' | 'tried' | 'facts'>): MotionDocument => {
  const d = s.tried ?? s.document;
  return underMedia(d, activeIn(d, s.facts));
};
/** The same, of what is done, without what is being tried. */
export const findSettled = (s: Pick<TakeState, 'document' | 'facts'>): MotionDocument =>
  makeSeen({ ...s, tried: null });

/** A rest of this long ends a series of key nudges, which then are one act and one revision. */
const REST_MS = 600;
/** So long an undo of the server’s waits until everything is saved. */
const SAVING_MS = 3000;

/** What was undone of what was done before the page was opened, or why nothing was. */
export type Earlier = { label: string } | { why: 'none' | 'elsewhere' | 'away' };

export class TakeSession {
  readonly store: StoreApi<TakeState>;
  private readonly autosave: Autosave;
  private nudging: ReturnType<typeof setTimeout> | null = null;
  private lastNudge = '';
  private leased: Lease | null = null;
  private undoing: Promise<Earlier> = Promise.resolve({ why: 'none' });

  private constructor({ id: takeId, revision, document: known }: TakeDocument, document: MotionDocument) {
    this.store = createStore<TakeState>(() => ({
      takeId,
      document,
      tried: null,
      past: [],
      future: [],
      selection: [],
      facts: null,
      scope: null,
      save: { kind: 'saved', revision },
      blocked: null,
    }));
    this.autosave = new Autosave({
      takeId,
      revision,
      document: known,
      journal: browserJournal,
      put: putDocument,
      onState: (save) => this.store.setState({ save }),
    });
    addEventListener('online', this.hurry);
    addEventListener('pagehide', this.flush);
  }

  /**
   * Opens a take. Edits that earlier visits left in this browser are shown at once and sent, in order. Those of a second tab, which
   * started from the same revision, cannot follow them: they become takes of their own, and `rescued` names these.
   */
  static async open(takeId: string): Promise<{ session: TakeSession; rescued: string[] }> {
    const [take, left] = await Promise.all([api.take({ id: takeId }), browserJournal.orphans(takeId)]);
    const first = left.find((list) => itemAt(list, 0).base === take.revision) ?? left.at(-1) ?? [];
    const session = new TakeSession(take, first.at(-1)?.document ?? take.document);
    if (first.length) session.autosave.resume(first);
    const rescued: string[] = [];
    for (const list of left) if (list !== first) rescued.push(...(await rescue(take, list)));
    return { session, rescued };
  }

  close(): void {
    this.flush();
    this.autosave.stop();
    removeEventListener('online', this.hurry);
    removeEventListener('pagehide', this.flush);
  }

  private hurry = () => this.autosave.hurry();
  private flush = () => {
    if (this.nudging === null) return;
    clearTimeout(this.nudging);
    this.nudging = null;
    this.autosave.finish();
  };

  /** Another screen: other media conditions hold. Edits no longer count for one that does not. */
  showFor(facts: MediaFacts): void {
    const { scope, document } = this.store.getState();
    const holds = scope !== null && activeIn(document, facts).includes(scope);
    this.store.setState({ facts, scope: holds ? scope : null });
  }

  /** What edits count for: one media condition, or wherever the seen value is written. */
  editFor(scope: string | null): void {
    this.store.setState({ scope });
  }

  private getView(): EditView {
    const { document, facts, scope } = this.store.getState();
    return { active: activeIn(document, facts), media: scope };
  }

  /** One finished operation: one undo step, one revision. Returns what it made; the same document where nothing came of it. */
  apply(operation: Operation, beside?: Beside): Edited & { done: boolean } {
    this.flush();
    this.lastNudge = '';
    const edited = this.commit(operation, beside);
    if (edited.done) this.save(operation.label);
    return edited;
  }

  /** Hands the document on, and remembers by which edit the last act is known. */
  private save(label: string, held = false): void {
    const { document, past } = this.store.getState();
    const editId = this.autosave.save(document, {
      held,
      facts: { label: label.slice(0, 200), author: author() },
    });
    const act = past.at(-1);
    if (act && act.editId !== editId)
      this.store.setState({ past: [...past.slice(0, -1), { ...act, editId }] });
  }

  /** One of a series of small operations (keys): the series is one undo step, kept here at once and sent when it rests. */
  nudge(operation: Operation): void {
    const { document } = this.store.getState();
    if (this.nudging !== null && this.lastNudge === operation.label) {
      const next = applyOperation(document, operation, this.getView()).document;
      if (next === document || this.isBlocked(document, next)) return;
      this.endLease();
      this.store.setState({ document: next });
    } else {
      this.flush();
      if (!this.commit(operation).done) return;
    }
    this.save(operation.label, true);
    this.lastNudge = operation.label;
    if (this.nudging !== null) clearTimeout(this.nudging);
    this.nudging = setTimeout(this.flush, REST_MS);
  }

  /** What shows changes without doing them. Another lease, and whatever is done, ends it. */
  lease(): Lease {
    const lease: Lease = {
      show: (operation) => {
        if (this.leased !== lease) this.endLease();
        this.leased = lease;
        const { document } = this.store.getState();
        this.store.setState({ tried: applyOperation(document, operation, this.getView()).document });
      },
      commit: (operation) => void this.apply(operation),
      cancel: () => {
        if (this.leased === lease) this.endLease();
      },
    };
    return lease;
  }

  private endLease(): void {
    this.leased = null;
    if (this.store.getState().tried) this.store.setState({ tried: null });
  }

  /** Not done where nothing came of it: it changes nothing, or it would leave a document that cannot be kept, which is then said. */
  private commit(operation: Operation, beside?: Beside): Edited & { done: boolean } {
    this.leased = null;
    const { document, past, future } = this.store.getState();
    const edited = applyOperation(document, operation, this.getView());
    if (edited.document === document || this.isBlocked(document, edited.document)) {
      this.store.setState({ tried: null });
      return { ...edited, document, done: false };
    }
    const next = afterAct({ document, past, future }, operation.label, edited.document, beside);
    const { selection } = edited;
    this.store.setState({ ...next, tried: null, ...(selection ? { selection: [...selection] } : {}) });
    return { ...edited, done: true };
  }

  private isBlocked(before: MotionDocument, after: MotionDocument): boolean {
    const why = whyUnsound(before, after);
    if (why) this.store.setState({ blocked: { why } });
    return why !== null;
  }

  undo = (): string | null => this.step('past');

  /**
   * Undoes what was done before this page was opened: as the server has it, if this browser did it. Returns what was undone, or why
   * nothing was.
   */
  undoEarlier(): Promise<Earlier> {
    // Pressed again before the answer is there, it is the next one that is meant.
    return (this.undoing = this.undoing.then(() => this.fetchEarlier()));
  }

  private async fetchEarlier(): Promise<Earlier> {
    const { takeId } = this.store.getState();
    if (!(await this.isSavedSoon())) return { why: 'away' };
    try {
      const { earlier, elsewhere } = await api.earlier({ id: takeId, author: author() });
      if (!earlier) return { why: elsewhere ? 'elsewhere' : 'none' };
      const { document, future, past } = this.store.getState();
      // Something has been done meanwhile: that comes first.
      if (past.length > 0) return { why: 'none' };
      const act: Act = { document, label: earlier.label };
      this.show({ document: earlier.document, past: [], future: [...future, act] });
      this.autosave.save(earlier.document, {
        facts: { label: earlier.label, author: author(), sameAs: earlier.revision },
      });
      return { label: earlier.label };
    } catch {
      return { why: 'away' };
    }
  }

  /** What the server undoes is what it has: it waits a moment for what is on its way there. */
  private isSavedSoon(): Promise<boolean> {
    if (this.store.getState().save.kind === 'saved') return Promise.resolve(true);
    return new Promise((done) => {
      const end = (saved: boolean) => {
        clearTimeout(timer);
        stop();
        done(saved);
      };
      const stop = this.store.subscribe((s) => s.save.kind === 'saved' && end(true));
      const timer = setTimeout(() => end(false), SAVING_MS);
    });
  }

  redo = (): string | null => this.step('future');

  private step(from: 'past' | 'future'): string | null {
    this.flush();
    const { document, past, future } = this.store.getState();
    const done = afterStep({ document, past, future }, from);
    if (!done) return null;
    const { label, editId, beside } = done.act;
    this.show(done.history);
    const back = from === 'past' ? { before: editId } : { after: editId };
    this.autosave.save(done.history.document, {
      facts: { label: label.slice(0, 200), author: author(), ...(editId ? back : {}) },
    });
    void (from === 'past' ? beside?.undo() : beside?.redo());
    return label;
  }

  private show(history: History): void {
    const { motions, pins, triggers } = history.document;
    this.leased = null;
    const there = new Set([...motions, ...pins, ...triggers].map((x) => x.id));
    const { selection } = this.store.getState();
    this.store.setState({ ...history, tried: null, selection: selection.filter((id) => there.has(id)) });
  }

  select(ids: string[]): void {
    this.store.setState({ selection: ids });
  }

  /** Shows a newer revision of somebody else’s as one act, while nothing of this tab waits to be saved and nothing is being tried. */
  adopt({ document: next, revision }: { document: MotionDocument; revision: number }, label: string): void {
    const { document, past, tried } = this.store.getState();
    if (tried || this.nudging !== null || !this.autosave.follow(revision, next)) return;
    this.show(afterAct({ document, past, future: [] }, label, next));
  }

  /** After a conflict: what is here becomes a take of its own. */
  async keepMine(pageId: string): Promise<string> {
    const take = await moveToOwnTake(pageId, this.autosave.list());
    await this.autosave.forget();
    return take.id;
  }

  /** After a conflict: what is here is given up for what the other tab has saved. */
  async dropMine(): Promise<void> {
    await this.autosave.forget();
  }
}
