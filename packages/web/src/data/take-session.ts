/** One opened take: its document, undo and redo, selection, and autosave. Framework-free; React subscribes to the store. */
import { createStore } from 'zustand/vanilla';
import type { StoreApi } from 'zustand/vanilla';
import type { MediaFacts, MotionDocument } from '@lyvek/core';
import { activeMedia, editedUnder, emptyDocument, readDocument, underMedia, withTies } from '@lyvek/core';
import { api, ApiError } from './api.ts';
import { Autosave } from './autosave.ts';
import type { PutResult, SaveState } from './autosave.ts';
import { afterAct, afterStep } from './history.ts';
import type { Act } from './history.ts';
import { browserOutbox } from './outbox.ts';

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
}

type Change = (d: MotionDocument) => MotionDocument;

const activeIn = (d: MotionDocument, facts: MediaFacts | null): string[] =>
  facts ? activeMedia(d, facts) : [];

/** The document as it is seen on the screen that is looked at. */
export const seenOf = (s: Pick<TakeState, 'document' | 'tried' | 'facts'>): MotionDocument => {
  const d = s.tried ?? s.document;
  return underMedia(d, activeIn(d, s.facts));
};
/** The same, of what is done, without what is being tried. */
export const settledOf = (s: Pick<TakeState, 'document' | 'facts'>): MotionDocument =>
  seenOf({ ...s, tried: null });

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
      save: { is: 'saved', revision },
    }));
    this.autosave = new Autosave({
      takeId,
      revision,
      outbox: browserOutbox,
      put: (base, editId, d) => putDocument(takeId, base, editId, d),
      onState: (save) => this.store.setState({ save }),
    });
    addEventListener('online', this.hurry);
    addEventListener('pagehide', this.flush);
  }

  /** Opens a take; an edit left from an earlier visit is shown at once and sent. */
  static async open(takeId: string): Promise<TakeSession> {
    const [take, pending] = await Promise.all([api.take(takeId), browserOutbox.read(takeId)]);
    // What an older version has left in the queue may lack newer lists.
    const kept = pending ? readDocument(pending.document) : null;
    const session = new TakeSession(takeId, kept?.ok ? kept.document : take.document, take.revision);
    if (pending && kept?.ok) session.autosave.resume({ ...pending, document: kept.document });
    return session;
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
    this.autosave.save(this.store.getState().document);
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
    this.commit(label, change, selection);
    this.autosave.save(this.store.getState().document);
  }

  /** One of a series of small acts (keys, wheel): the series is one undo step, saved when it rests. */
  nudge(label: string, change: Change): void {
    const { document } = this.store.getState();
    const through = this.through(change);
    if (this.nudging !== null && this.lastNudge === label)
      this.store.setState({ document: withTies(through(document)), tried: null });
    else {
      this.flush();
      this.commit(label, through);
    }
    this.lastNudge = label;
    if (this.nudging !== null) clearTimeout(this.nudging);
    this.nudging = setTimeout(this.flush, REST);
  }

  /** Shows a change without doing it; null puts it back. */
  try(change: Change | null): void {
    const { document } = this.store.getState();
    this.store.setState({ tried: change ? withTies(this.through(change)(document)) : null });
  }

  private commit(label: string, change: Change, selection?: string[]): void {
    const { document, past, future } = this.store.getState();
    const next = afterAct({ document, past, future }, label, change);
    this.store.setState({
      ...next,
      tried: null,
      ...(selection && next.document !== document ? { selection } : {}),
    });
  }

  undo = (): string | null => this.step('past');
  redo = (): string | null => this.step('future');

  private step(from: 'past' | 'future'): string | null {
    this.flush();
    const { document, past, future, selection } = this.store.getState();
    const done = afterStep({ document, past, future }, from);
    if (!done) return null;
    const { motions, pins, gates } = done.history.document;
    const there = new Set([...motions, ...pins, ...gates].map((x) => x.id));
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
    await browserOutbox.clear(this.store.getState().takeId);
    return take.id;
  }

  /** After a conflict: what is here is given up for what the other tab has saved. */
  async dropMine(): Promise<void> {
    await browserOutbox.clear(this.store.getState().takeId);
  }
}

async function putDocument(
  takeId: string,
  base: number,
  editId: string,
  document: MotionDocument,
): Promise<PutResult> {
  try {
    return { is: 'saved', revision: (await api.putDocument(takeId, base, editId, document)).revision };
  } catch (error) {
    if (!(error instanceof ApiError)) return { is: 'refused', why: String(error) };
    if (error.status === 412) return { is: 'behind' };
    return error.away || error.status >= 500 ? { is: 'away' } : { is: 'refused', why: error.message };
  }
}

export { emptyDocument };
