/** One opened take: its document, undo and redo, selection, and autosave. Framework-free; React subscribes to the store. */
import { createStore } from 'zustand/vanilla';
import type { StoreApi } from 'zustand/vanilla';
import type { MediaFacts, MotionDocument } from '@lyvek/core';
import {
  activeMedia,
  editedUnder,
  emptyDocument,
  shorten,
  underMedia,
  whyUnsound,
  withTies,
} from '@lyvek/core';
import { api, ApiError } from './api.ts';
import { Autosave } from './autosave.ts';
import type { PutResult, SaveState } from './autosave.ts';
import { afterAct, afterStep } from './history.ts';
import type { Act } from './history.ts';
import { browserJournal } from './journal.ts';
import type { Entry } from './journal.ts';

export * from './changes.ts';

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

type Change = (d: MotionDocument) => MotionDocument;

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
const REST = 600;

export class TakeSession {
  readonly store: StoreApi<TakeState>;
  private readonly autosave: Autosave;
  private nudging: ReturnType<typeof setTimeout> | null = null;
  private lastNudge = '';

  private constructor(takeId: string, document: MotionDocument, revision: number) {
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
      journal: browserJournal,
      put: (base, editId, d) => putDocument(takeId, base, editId, d),
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
    const [take, left] = await Promise.all([api.take(takeId), browserJournal.orphans(takeId)]);
    const first = left.find((list) => list[0]!.base === take.revision) ?? left.at(-1) ?? [];
    const session = new TakeSession(takeId, first.at(-1)?.document ?? take.document, take.revision);
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
  look(facts: MediaFacts): void {
    const { scope, document } = this.store.getState();
    const holds = scope !== null && activeIn(document, facts).includes(scope);
    this.store.setState({ facts, scope: holds ? scope : null });
  }

  /** What edits count for: one media condition, or wherever the seen value is written. */
  editFor(scope: string | null): void {
    this.store.setState({ scope });
  }

  /** A change of what is seen, as one of the document itself. */
  private through(change: Change): Change {
    const { facts, scope } = this.store.getState();
    return (d) => editedUnder(d, activeIn(d, facts), scope, change);
  }

  /** One finished act on what is seen: one undo step, one revision. */
  act(label: string, change: Change, selection?: string[]): void {
    this.actOnWhole(label, this.through(change), selection);
  }

  /** The same, on the document with all its conditions. */
  actOnWhole(label: string, change: Change, selection?: string[]): void {
    this.flush();
    this.lastNudge = '';
    if (this.commit(label, change, selection)) this.autosave.save(this.store.getState().document);
  }

  /** One of a series of small acts (keys): the series is one undo step, kept here at once and sent when it rests. */
  nudge(label: string, change: Change): void {
    const { document } = this.store.getState();
    const through = this.through(change);
    if (this.nudging !== null && this.lastNudge === label) {
      const next = withTies(through(document));
      if (next === document || this.isBlocked(document, next)) return;
      this.store.setState({ document: next, tried: null });
    } else {
      this.flush();
      if (!this.commit(label, through)) return;
    }
    this.autosave.save(this.store.getState().document, true);
    this.lastNudge = label;
    if (this.nudging !== null) clearTimeout(this.nudging);
    this.nudging = setTimeout(this.flush, REST);
  }

  /** Shows a change without doing it; null puts it back. */
  try(change: Change | null): void {
    const { document } = this.store.getState();
    this.store.setState({ tried: change ? withTies(this.through(change)(document)) : null });
  }

  /** False where nothing came of it: it changes nothing, or it would leave a document that cannot be kept, which is then said. */
  private commit(label: string, change: Change, selection?: string[]): boolean {
    const { document, past, future } = this.store.getState();
    const next = afterAct({ document, past, future }, label, change);
    if (next.document === document || this.isBlocked(document, next.document)) {
      this.store.setState({ tried: null });
      return false;
    }
    this.store.setState({ ...next, tried: null, ...(selection ? { selection } : {}) });
    return true;
  }

  private isBlocked(before: MotionDocument, after: MotionDocument): boolean {
    const why = whyUnsound(before, after);
    if (why) this.store.setState({ blocked: { why } });
    return why !== null;
  }

  undo = (): string | null => this.step('past');
  redo = (): string | null => this.step('future');

  private step(from: 'past' | 'future'): string | null {
    this.flush();
    const { document, past, future, selection } = this.store.getState();
    const done = afterStep({ document, past, future }, from);
    if (!done) return null;
    const { motions, pins, triggers } = done.history.document;
    const there = new Set([...motions, ...pins, ...triggers].map((x) => x.id));
    this.store.setState({ ...done.history, tried: null, selection: selection.filter((id) => there.has(id)) });
    this.autosave.save(done.history.document);
    return done.label;
  }

  select(ids: string[]): void {
    this.store.setState({ selection: ids });
  }

  /** After a conflict: what is here becomes a take of its own. */
  async keepMine(pageId: string): Promise<string> {
    const take = await api.createTake(pageId, this.store.getState().document);
    await this.autosave.forget();
    return take.id;
  }

  /** After a conflict: what is here is given up for what the other tab has saved. */
  async dropMine(): Promise<void> {
    await this.autosave.forget();
  }
}

/** Edits that cannot follow what the server has, kept as a take of their own. Without an answer they stay in the journal. */
async function rescue(of: { id: string; pageId: string; name: string }, list: Entry[]): Promise<string[]> {
  try {
    const name = shorten(of.name, 120 - ', edits of another tab'.length) + ', edits of another tab';
    const take = await api.createTake(of.pageId, list.at(-1)!.document, undefined, name);
    await browserJournal.remove(list);
    return [take.name];
  } catch {
    return [];
  }
}

async function putDocument(
  takeId: string,
  base: number,
  editId: string,
  document: MotionDocument,
): Promise<PutResult> {
  try {
    return { kind: 'saved', revision: (await api.putDocument(takeId, base, editId, document)).revision };
  } catch (error) {
    if (!(error instanceof ApiError)) return { kind: 'refused', why: String(error) };
    if (error.status === 412) return { kind: 'behind' };
    // What the server will never take is not tried again and again; it is said.
    return error.away
      ? { kind: 'away', full: error.status === 507 }
      : { kind: 'refused', why: error.message };
  }
}

export { emptyDocument };
