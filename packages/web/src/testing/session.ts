/** A session without a server, for component tests: it does and shows operations as the real one does. */
import { createStore } from 'zustand/vanilla';
import { applyOperation } from '@lyvek/core';
import type { MotionDocument, Operation } from '@lyvek/core';
import type { Lease, TakeSession, TakeState } from '../state/take-session.ts';

export interface FakeSession {
  session: TakeSession;
  /** labels of what was done */
  done: string[];
  document(): MotionDocument;
  tried(): MotionDocument | null;
}

export function fakeSession(first: MotionDocument): FakeSession {
  const store = createStore(() => ({
    document: first,
    tried: null as MotionDocument | null,
    selection: [] as string[],
    facts: null,
    scope: null,
    save: { kind: 'saved', revision: 1 },
  }));
  const done: string[] = [];
  const apply = (operation: Operation) => {
    const edited = applyOperation(store.getState().document, operation);
    store.setState({ document: edited.document, tried: null });
    done.push(operation.label);
    return edited;
  };
  const lease = (): Lease => ({
    show: (operation) => store.setState((s) => ({ tried: applyOperation(s.document, operation).document })),
    commit: (operation) => void apply(operation),
    cancel: () => store.setState({ tried: null }),
  });
  const session = {
    store: store as unknown as { getState(): TakeState },
    apply,
    nudge: apply,
    lease,
    select: (selection: string[]) => store.setState({ selection }),
    undo: () => null,
  } as unknown as TakeSession;
  return { session, done, document: () => store.getState().document, tried: () => store.getState().tried };
}
