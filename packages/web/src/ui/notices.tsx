/** Short notices at the lower left, with an undo where there is one. */
import { present } from '@lyvek/core';
import { createStore, useStore } from 'zustand';
import { noticesText } from './text.ts';

export interface Notice {
  id: number;
  text: string;
  wrong?: boolean;
  action?: { label: string; run: () => void };
}

const store = createStore<{ list: Notice[] }>(() => ({ list: [] }));
let next = 1;

const drop = (id: number) => store.setState((s) => ({ list: s.list.filter((n) => n.id !== id) }));

/** Shows a notice for a while; those with an action or an error stay longer. */
export function notify(text: string, options: Omit<Notice, 'id' | 'text'> = {}): void {
  const id = next++;
  store.setState((s) => ({ list: [...s.list.slice(-3), { id, text, ...options }] }));
  setTimeout(() => drop(id), options.wrong ? 12_000 : options.action ? 9000 : 4000);
}

export const notifyError = (error: unknown) =>
  notify(error instanceof Error ? error.message : String(error), { wrong: true });

export function Notices() {
  const list = useStore(store, (s) => s.list);
  return (
    <div className="notices" role="status" aria-live="polite">
      {list.map((n) => (
        <div key={n.id} className={n.wrong ? 'notice wrong' : 'notice'}>
          <span>{n.text}</span>
          {n.action && (
            <button
              type="button"
              onClick={() => {
                present(n.action).run();
                drop(n.id);
              }}
            >
              {n.action.label}
            </button>
          )}
          {n.wrong && (
            <button type="button" onClick={() => drop(n.id)}>
              {noticesText.close}
            </button>
          )}
        </div>
      ))}
    </div>
  );
}
