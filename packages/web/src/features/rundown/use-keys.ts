/** The Rundown's shortcuts: one table. */
import { useEffect, useRef } from 'react';
import { openHelp } from '../../ui/HelpButton.tsx';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { isUndoOfActs } from '../../state/use-undo-keys.ts';
import { keyframeStore } from '../../editor/model/keyframes.ts';
import {
  copy,
  duplicate,
  escape,
  goToSelection,
  keyframeHere,
  moveSelected,
  mute,
  nextEdge,
  nextMotion,
  paste,
  redo,
  remove,
  rename,
  scrollBy,
  selectAll,
  solo,
  undo,
  zoom,
} from './acts.ts';
import type { Act, Key, Page } from './acts.ts';
import type { Rundown } from './rundown-context.ts';

const movable = (r: Rundown) => r.selection.length > 0 || keyframeStore.getState().chosen.length > 0;

/** Plain keys and, behind “ctrl ”, those with Ctrl or the command key. */
const KEYS = new Map<string, Act>(
  Object.entries<Act>({
    ' ': (_k, r) => r.setPlaying(!r.playing),
    ArrowUp: (k, r, p) => (movable(r) && !k.alt ? moveSelected : scrollBy)(k, r, p),
    ArrowDown: (k, r, p) => (movable(r) && !k.alt ? moveSelected : scrollBy)(k, r, p),
    PageUp: (_k, _r, { link, viewport }) =>
      link.scrollTo(Math.max(0, link.store.getState().offset.y - viewport.height * 0.875)),
    PageDown: (_k, r, { link, viewport }) =>
      link.scrollTo(Math.min(r.max, link.store.getState().offset.y + viewport.height * 0.875)),
    Home: (_k, _r, { link }) => link.scrollTo(0),
    End: (_k, r, { link }) => link.scrollTo(r.max),
    '+': zoom(2),
    '=': zoom(2),
    '-': zoom(0.5),
    '0': (_k, r) => r.setView((v) => ({ ...v, per: Infinity })),
    a: (_k, r) => r.setAdding(true),
    m: mute,
    s: solo,
    // What was looked for last is typed over.
    '/': () => {
      const field = window.document.querySelector<HTMLInputElement>('[data-find]');
      field?.focus();
      field?.select();
    },
    '[': (_k, r) => r.setGrip(r.grip === 'start' ? 'body' : 'start'),
    ']': (_k, r) => r.setGrip(r.grip === 'end' ? 'body' : 'end'),
    g: goToSelection,
    n: nextMotion,
    b: keyframeHere,
    e: nextEdge,
    F2: rename,
    Delete: remove,
    Backspace: remove,
    Escape: escape,
    '?': openHelp,
    'ctrl z': (k, r, p) => (k.shift ? redo : undo)(k, r, p),
    'ctrl y': redo,
    'ctrl d': duplicate,
    'ctrl c': copy,
    'ctrl v': paste,
    'ctrl a': selectAll,
  }),
);

/** Does what a key stands for; false where it stands for nothing. */
export function press(k: Key, rundown: Rundown, page: Page): boolean {
  const name = k.key.length === 1 && k.key !== ' ' ? k.key.toLowerCase() : k.key;
  const act = KEYS.get(k.ctrl ? `ctrl ${name}` : name);
  act?.(k, rundown, page);
  return act !== undefined;
}

/** From the lanes and the page the Tab key goes to what is chosen: the first control of its sheet. */
function focusSheet(rundown: HTMLElement): boolean {
  const first = rundown.querySelector<HTMLElement>(
    '.inspector :is([data-first-control], .sentence :is(button, input, select):not(:disabled))',
  );
  first?.focus();
  return first !== null;
}

/** Hears them as long as the Rundown is open. A previewed page never has the keyboard, so it passes none on. */
export function useKeys(rundown: Rundown): void {
  const page = { ...useOpenedPage(), ...useShownPage() };
  const now = useRef({ rundown, page });
  now.current = { rundown, page };
  const handle = useRef((k: Key) => press(k, now.current.rundown, now.current.page));
  useEffect(() => {
    const listen = (e: KeyboardEvent) => {
      if (e.defaultPrevented || e.isComposing) return;
      const target = e.target as HTMLElement;
      if (isUndoOfActs(e)) {
        const key = { key: e.key, shift: e.shiftKey, ctrl: true, alt: false };
        if (handle.current(key)) e.preventDefault();
        return;
      }
      if (e.key === 'Tab' && !e.shiftKey && target.matches('.rundown')) {
        if (focusSheet(target)) e.preventDefault();
        return;
      }
      if (target.closest('input, textarea, select, [contenteditable], .popover, [role="dialog"]')) return;
      // On a button, Space, Enter and Tab stay what they are everywhere.
      if (target.closest('button, a, [role="button"]') && [' ', 'Enter'].includes(e.key)) return;
      if (handle.current({ key: e.key, shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey, alt: e.altKey }))
        e.preventDefault();
    };
    addEventListener('keydown', listen);
    return () => removeEventListener('keydown', listen);
  }, []);
}
