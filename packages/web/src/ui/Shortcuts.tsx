/** The `?` overlay: every shortcut of the screens, from the same table that the README quotes. */
import { useEffect, useRef } from 'react';
import { createStore, useStore } from 'zustand';
import { shortcutsText } from './text.ts';

const store = createStore(() => ({ open: false }));
export const openShortcuts = () => store.setState({ open: true });

export const SHORTCUTS: readonly { title: string; keys: readonly (readonly [string, string])[] }[] = [
  {
    title: 'Along the page',
    keys: [
      ['Space', 'Play the scroll, or stop it'],
      ['↑ ↓', 'Scroll by 10 px; with Shift by 100 px; with Alt by one frame of the gesture'],
      ['Home End', 'To the page’s top or end'],
      ['+ −', 'Zoom the lanes in and out'],
      ['0', 'Whole page'],
      ['Ctrl wheel', 'Zoom freely around the pointer'],
    ],
  },
  {
    title: 'Motions',
    keys: [
      ['A', 'Add a motion to the picked element'],
      ['N', 'Next motion; with Shift the previous one'],
      ['Shift click', 'Add to the selection'],
      ['Alt click', 'Pick the element underneath; click again for the one below it'],
      ['Alt Shift click', 'Pick an element whose view progress should drive the selected motion'],
      ['↑ ↓', 'With a motion selected: move it by 1 % of the phase; with Shift 5 %'],
      ['[ ]', 'Choose which end the arrow keys move'],
      ['B', 'Add a keyframe at the playhead, in every animated property of the selection'],
      ['E', 'Scroll to the next start or end; with Shift to the previous one'],
      ['M', 'Mute or unmute'],
      ['S', 'Solo: only what is selected plays in the page'],
      ['Ctrl C · V', 'Copy motions; paste them onto the picked element'],
      ['/', 'Find motions and elements'],
      ['G', 'Scroll to what is selected'],
      ['R', 'Play a trigger’s motions, or an intro, without scrolling'],
      ['Ctrl D', 'Duplicate'],
      ['Del', 'Delete'],
      ['F2', 'Rename'],
    ],
  },
  {
    title: 'While dragging',
    keys: [
      ['Alt', 'No snapping; exact px'],
      ['Ctrl', 'Snap to viewport lines instead of phases'],
      ['Shift', 'The same end of all selected motions'],
      ['Esc', 'Back to where it was'],
      [
        'Keyframes',
        'Click to choose one, Shift click for a run, Ctrl click to add one, Alt drag in the lanes for an area; then ↑ ↓ move them and Del deletes them',
      ],
    ],
  },
  {
    title: 'Takes',
    keys: [
      ['↑ ↓', 'To the next of the five pictures'],
      ['← →', 'The edge between both by 1 %; with Shift 10'],
      ['A B', 'While held: one of them only'],
      ['+ −', 'Pictures closer together, further apart'],
      ['0', 'Pictures over the whole page'],
    ],
  },
  {
    title: 'Everywhere',
    keys: [
      ['Ctrl Z', 'Undo'],
      ['Ctrl Shift Z', 'Redo'],
      ['Ctrl K', 'Find anything that can be done, chosen or opened'],
      ['?', 'This list'],
    ],
  },
];

export function ShortcutsButton() {
  return (
    <button
      type="button"
      className="btn square"
      aria-label={shortcutsText.keyboardShortcuts}
      title={shortcutsText.openThem}
      onClick={openShortcuts}
    >
      ?
    </button>
  );
}

export function ShortcutsOverlay() {
  const open = useStore(store, (s) => s.open);
  const close = () => store.setState({ open: false });
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (!open) return;
    const before = document.activeElement as HTMLElement | null;
    button.current?.focus();
    const key = (e: KeyboardEvent) => {
      if (e.key !== 'Escape' && e.key !== '?') return;
      e.stopPropagation();
      close();
    };
    addEventListener('keydown', key, true);
    return () => {
      removeEventListener('keydown', key, true);
      before?.focus();
    };
  }, [open]);
  if (!open) return null;
  return (
    <div className="overlay" onPointerDown={(e) => e.target === e.currentTarget && close()}>
      <div
        className="dialog-card"
        role="dialog"
        aria-modal="true"
        aria-label={shortcutsText.keyboardShortcuts}
      >
        <div className="mb-3 flex items-center justify-between">
          <h2 className="!mb-0">{shortcutsText.keyboardShortcuts}</h2>
          <button ref={button} type="button" className="btn" onClick={close}>
            {shortcutsText.close} <kbd className="kbd">{shortcutsText.esc}</kbd>
          </button>
        </div>
        <div className="grid grid-cols-2 gap-x-10 gap-y-5">
          {SHORTCUTS.map((group) => (
            <section key={group.title}>
              <h3 className="mb-1 font-semibold">{group.title}</h3>
              <dl className="grid grid-cols-[104px_1fr] gap-y-1">
                {group.keys.map(([keys, what]) => (
                  <div key={keys + what} className="contents">
                    <dt>
                      <kbd className="kbd">{keys}</kbd>
                    </dt>
                    <dd className="m-0 text-(--ink-2)">{what}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </div>
      </div>
    </div>
  );
}
