/** One opened take: its document, undo and redo, selection, and autosave. Framework-free; React subscribes to the store. */
import { createStore } from 'zustand/vanilla';
import type { StoreApi } from 'zustand/vanilla';
import type { Gate, Motion, MotionDocument, Pin } from '@lyvek/core';
import { emptyDocument, readDocument } from '@lyvek/core';
import { api, ApiError } from './api.ts';
import { Autosave } from './autosave.ts';
import type { PutResult, SaveState } from './autosave.ts';
import { browserOutbox } from './outbox.ts';

export interface Act {
  document: MotionDocument;
  /** what was done, for “Undo …” */
  label: string;
}

export interface TakeState {
  takeId: string;
  document: MotionDocument;
  /** what a drag or a tried effect shows right now; null outside of one */
  tried: MotionDocument | null;
  past: Act[];
  future: Act[];
  selection: string[];
  save: SaveState;
}

/** A rest of this long ends a series of key nudges, which then are one act and one revision. */
const REST = 600;
const MOST_UNDO = 200;

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

  /** One finished act: one undo step, one revision. */
  act(label: string, change: (d: MotionDocument) => MotionDocument, selection?: string[]): void {
    this.flush();
    this.lastNudge = '';
    this.commit(label, change, selection);
    this.autosave.save(this.store.getState().document);
  }

  /** One of a series of small acts (keys, wheel): the series is one undo step, saved when it rests. */
  nudge(label: string, change: (d: MotionDocument) => MotionDocument): void {
    const { document } = this.store.getState();
    if (this.nudging !== null && this.lastNudge === label)
      this.store.setState({ document: change(document), tried: null });
    else {
      this.flush();
      this.commit(label, change);
    }
    this.lastNudge = label;
    if (this.nudging !== null) clearTimeout(this.nudging);
    this.nudging = setTimeout(this.flush, REST);
  }

  /** Shows a change without doing it; null puts it back. */
  try(change: ((d: MotionDocument) => MotionDocument) | null): void {
    const { document } = this.store.getState();
    this.store.setState({ tried: change ? change(document) : null });
  }

  private commit(label: string, change: (d: MotionDocument) => MotionDocument, selection?: string[]): void {
    const { document, past } = this.store.getState();
    const next = change(document);
    if (next === document) return void this.store.setState({ tried: null });
    this.store.setState({
      document: next,
      tried: null,
      past: [...past, { document, label }].slice(-MOST_UNDO),
      future: [],
      ...(selection ? { selection } : {}),
    });
  }

  undo = (): string | null => this.step('past', 'future');
  redo = (): string | null => this.step('future', 'past');

  private step(from: 'past' | 'future', to: 'past' | 'future'): string | null {
    this.flush();
    const state = this.store.getState();
    const act = state[from].at(-1);
    if (!act) return null;
    this.store.setState({
      document: act.document,
      tried: null,
      [from]: state[from].slice(0, -1),
      [to]: [...state[to], { document: state.document, label: act.label }],
      selection: state.selection.filter((id) =>
        [...act.document.motions, ...act.document.pins, ...act.document.gates].some((x) => x.id === id),
      ),
    } as Partial<TakeState>);
    this.autosave.save(act.document);
    return act.label;
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

/** Changes of a document, as plain functions. */
export const withMotion =
  (id: string, change: (m: Motion) => Motion) =>
  (d: MotionDocument): MotionDocument => ({
    ...d,
    motions: d.motions.map((m) => (m.id === id ? change(m) : m)),
  });

export const withoutMotions =
  (ids: readonly string[]) =>
  (d: MotionDocument): MotionDocument => {
    const gone = new Set(ids);
    // A motion on a pin goes with the pin; an adjustment goes with the last thing that needed it.
    for (const { id, driver } of d.motions)
      if (
        (driver.kind === 'pin' && gone.has(driver.pin)) ||
        (driver.kind === 'gate' && gone.has(driver.gate))
      )
        gone.add(id);
    // A gate that nothing hangs on goes with its last part.
    const used = new Set(
      d.motions.flatMap((m) => (m.driver.kind === 'gate' && !gone.has(m.id) ? [m.driver.gate] : [])),
    );
    const left = (m: Motion): Motion => {
      if (m.time?.after === undefined || !gone.has(m.time.after)) return m;
      const { delay, duration } = m.time;
      return { ...m, time: { delay, duration } };
    };
    return {
      ...d,
      motions: d.motions.filter((m) => !gone.has(m.id)).map(left),
      gates: d.gates.filter((g) => !gone.has(g.id) && used.has(g.id)),
      pins: d.pins.filter((p) => !gone.has(p.id)),
      adjustments: d.adjustments.flatMap((a) => {
        if (!a.for.some((id) => gone.has(id))) return [a];
        const still = a.for.filter((id) => !gone.has(id));
        return still.length ? [{ ...a, for: still }] : [];
      }),
    };
  };

export const withGate =
  (id: string, change: (g: Gate) => Gate) =>
  (d: MotionDocument): MotionDocument => ({ ...d, gates: d.gates.map((g) => (g.id === id ? change(g) : g)) });

export const withPin =
  (id: string, change: (p: Pin) => Pin) =>
  (d: MotionDocument): MotionDocument => ({ ...d, pins: d.pins.map((p) => (p.id === id ? change(p) : p)) });

export const newId = (kind: string): string =>
  `${kind}_${crypto.randomUUID().replaceAll('-', '').slice(0, 12)}`;
export const newMotionId = (): string => newId('m');

/** Copies directly behind their originals, with names of their own. */
export function duplicated(
  d: MotionDocument,
  ids: readonly string[],
): { document: MotionDocument; copies: string[] } {
  const copies: string[] = [];
  const motions = d.motions.flatMap((m) => {
    if (!ids.includes(m.id)) return [m];
    const copy = { ...m, id: newMotionId(), name: `${m.name.slice(0, 112)} copy` };
    copies.push(copy.id);
    return [m, copy];
  });
  return { document: { ...d, motions }, copies };
}

export { emptyDocument };
