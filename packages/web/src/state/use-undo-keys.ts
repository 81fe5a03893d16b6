import { useEffect } from 'react';
import type { TakeSession } from './take-session.ts';
import { notify } from '../ui/notices.tsx';
import { useUndoKeysText } from './text.ts';

export const undone = (session: TakeSession): void => {
  const label = session.undo();
  if (label) return notify(useUndoKeysText.undid(label));
  void session
    .undoEarlier()
    .then((done) => notify('label' in done ? useUndoKeysText.undid(done.label) : useUndoKeysText[done.why]));
};
export const redone = (session: TakeSession): void => {
  const label = session.redo();
  notify(label ? useUndoKeysText.redid(label) : useUndoKeysText.thereIsNothingToRedo);
};

/**
 * Whether a key undoes or redoes acts rather than letters: it does in a field too, as long as nothing is typed there that does not count
 * yet (fields say so with `data-committed`).
 */
export function isUndoOfActs(e: KeyboardEvent): boolean {
  if (!(e.ctrlKey || e.metaKey) || e.altKey || !['z', 'y'].includes(e.key.toLowerCase())) return false;
  const field = (e.target as Element).closest('input, textarea, select, [contenteditable]');
  return (
    !field || field.matches('[data-committed], select, [type="checkbox"], [type="range"], [type="radio"]')
  );
}

/** Ctrl+Z, Shift+Ctrl+Z and Ctrl+Y on screens that have no other shortcuts; typing keeps its own. */
export function useUndoKeys(session: TakeSession): void {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (!isUndoOfActs(e)) return;
      e.preventDefault();
      if (e.key.toLowerCase() === 'y' || e.shiftKey) redone(session);
      else undone(session);
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  }, [session]);
}
