import { useEffect } from 'react';
import type { TakeSession } from './take-session.ts';
import { notify } from '../ui/notices.tsx';
import { useUndoKeysText } from './text.ts';

export const undone = (session: TakeSession): void => {
  const label = session.undo();
  notify(label ? useUndoKeysText.undid(label) : useUndoKeysText.thereIsNothingTo);
};
export const redone = (session: TakeSession): void => {
  const label = session.redo();
  notify(label ? useUndoKeysText.redid(label) : useUndoKeysText.thereIsNothingToRedo);
};

/** Ctrl+Z, Shift+Ctrl+Z and Ctrl+Y on screens that have no other shortcuts; typing keeps its own. */
export function useUndoKeys(session: TakeSession): void {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.matches('input, textarea, select');
      if (typing || !(e.ctrlKey || e.metaKey)) return;
      const key = e.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      e.preventDefault();
      if (key === 'y' || e.shiftKey) redone(session);
      else undone(session);
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  }, [session]);
}
