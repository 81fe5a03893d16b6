/** Undo and redo over documents, as plain functions: the session keeps their result in its store. */
import type { MotionDocument } from '@lyvek/core';

export interface Act {
  document: MotionDocument;
  /** what was done, for “Undo …” */
  label: string;
  /** the edit that the server knows it by */
  editId?: string | undefined;
  /** what it changed besides the document, and how that is taken back and done again */
  beside?: Beside | undefined;
}

export interface Beside {
  undo(): Promise<unknown>;
  redo(): Promise<unknown>;
}

export interface History {
  document: MotionDocument;
  past: Act[];
  future: Act[];
}

const MAX_UNDO = 200;

/** After one act. */
export const afterAct = (h: History, label: string, document: MotionDocument, beside?: Beside): History => ({
  document,
  past: [...h.past, { document: h.document, label, ...(beside ? { beside } : {}) }].slice(-MAX_UNDO),
  future: [],
});

/** After undoing (`past`) or redoing (`future`) one act; null when there is none. */
export function afterStep(h: History, from: 'past' | 'future'): { history: History; act: Act } | null {
  const act = h[from].at(-1);
  if (!act) return null;
  const to = from === 'past' ? 'future' : 'past';
  const history = {
    ...h,
    document: act.document,
    [from]: h[from].slice(0, -1),
    [to]: [...h[to], { ...act, document: h.document }],
  };
  return { history, act };
}
