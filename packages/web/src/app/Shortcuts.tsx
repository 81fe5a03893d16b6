/** The `?` overlay: every shortcut of the screens, from the same table that the README quotes. */
import { useEffect, useRef } from 'react';
import { createStore, useStore } from 'zustand';

const store = createStore(() => ({ open: false }));
export const openShortcuts = () => store.setState({ open: true });

export const SHORTCUTS: readonly { title: string; keys: readonly (readonly [string, string])[] }[] = [
  {
    title: 'Along the page',
    keys: [
      ['Space', 'Glide through the page, and stop'],
      ['↑ ↓', 'Page by 10 px; with Shift 100; with Alt one frame of the gesture'],
      ['Home End', 'To the page’s top or end'],
      ['+ −', 'Zoom the lanes in and out'],
      ['0', 'Whole page'],
      ['Ctrl wheel', 'Zoom freely around the pointer'],
    ],
  },
  {
    title: 'Motions',
    keys: [
      ['A', 'Add a motion to the chosen element'],
      ['N', 'Next motion; with Shift the one before'],
      ['Shift click', 'Add to the selection'],
      ['Alt Shift click', 'Choose what lies beneath in the page; once more: what lies beneath that'],
      ['Alt click', 'Choose an element in the page, for its view progress to drive the selected motion'],
      ['↑ ↓', 'With a motion selected: move it by 1 % of the phase; with Shift 5 %'],
      ['[ ]', 'Choose the start or the end for the arrows'],
      ['B', 'A keyframe where the page stands, in every property of what is selected'],
      ['E', 'Page to the next start or end; with Shift the one before'],
      ['M', 'Mute or unmute'],
      ['S', 'Solo: only what is selected plays in the page'],
      ['Ctrl C · V', 'Copy motions, paste them onto the chosen element'],
      ['/', 'Find motions by name, element, driver, property or finding'],
      ['R', 'Play the parts of a trigger, or an intro, without scrolling away'],
      ['Ctrl D', 'Duplicate'],
      ['Del', 'Delete'],
      ['F2', 'Rename'],
    ],
  },
  {
    title: 'While dragging',
    keys: [
      ['Alt', 'No snapping; px are kept as they are'],
      ['Ctrl', 'Catch viewport lines instead of phases'],
      ['Shift', 'The same end of all selected'],
      ['Esc', 'Back to where it was'],
      [
        'Keyframes',
        'Click, Shift for a stretch, Ctrl for one more, Alt drag in the lanes for all inside; ↑ ↓ and Del count for them',
      ],
    ],
  },
  {
    title: 'Takes',
    keys: [
      ['↑ ↓', 'To the next of the five pictures'],
      ['← →', 'The edge between both by 1 %; with Shift 10'],
      ['A B', 'Held: one of them whole'],
      ['+ −', 'Pictures closer together, further apart'],
      ['0', 'Pictures over the whole page'],
    ],
  },
  {
    title: 'Everywhere',
    keys: [
      ['Ctrl Z', 'Undo'],
      ['Ctrl Shift Z', 'Redo'],
      ['?', 'This overview'],
    ],
  },
];

export function ShortcutsButton() {
  return (
    <button
      type="button"
      className="btn square"
      aria-label="Keyboard shortcuts"
      title="Keyboard shortcuts (?)"
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
      <div className="dialog-card" role="dialog" aria-modal="true" aria-label="Keyboard shortcuts">
        <div className="mb-3 flex items-center justify-between">
          <h2 className="!mb-0">Keyboard shortcuts</h2>
          <button ref={button} type="button" className="btn" onClick={close}>
            Close <kbd className="kbd">Esc</kbd>
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
