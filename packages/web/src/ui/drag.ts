/** One drag with the pointer: nothing happens before it has moved a little, Esc and a lost pointer put everything back. */
import type { PointerEvent as ReactPointerEvent } from 'react';

export interface Drag {
  /** the pointer has moved; `by` px down since it was pressed */
  move(by: number, event: PointerEvent): void;
  /** let go after having moved */
  drop(by: number, event: PointerEvent): void;
  /** ended in any other way; `given`: given up with Esc or cancelled, as against never having moved */
  putBack(given: boolean): void;
}

/** A press becomes a drag once it has moved this far. */
const THRESHOLD_PX = 3;

const wherePointed = (e: PointerEvent) => [e.clientX, e.clientY, e.altKey, e.ctrlKey, e.shiftKey].join();

/** Begins a drag for the main button, and says whether it did. */
export function beginDrag(e: ReactPointerEvent<Element>, drag: Drag): boolean {
  if (e.button !== 0) return false;
  e.stopPropagation();
  const target = e.currentTarget;
  const from = e.clientY;
  const left = e.clientX;
  // eslint-disable-next-line no-restricted-syntax -- here it is begun
  target.setPointerCapture(e.pointerId);
  const over = new AbortController();
  // The previewed page would take the pointer where it passes over it.
  document.documentElement.dataset.dragging = '';
  over.signal.addEventListener('abort', () => delete document.documentElement.dataset.dragging);
  let moved = false;
  const end = (given: boolean) => {
    over.abort();
    drag.putBack(given);
  };
  const giveUp = () => end(true);
  const listen = <T extends Event>(
    to: EventTarget,
    type: string,
    hear: (event: T) => void,
    capture = false,
  ) => to.addEventListener(type, hear as EventListener, { signal: over.signal, capture });
  let last = '';
  listen<PointerEvent>(target, 'pointermove', (event) => {
    // Browsers send a move without a movement once something has moved under the pointer.
    const where = wherePointed(event);
    if (where === last) return;
    last = where;
    moved ||= Math.hypot(event.clientX - left, event.clientY - from) >= THRESHOLD_PX;
    if (moved) drag.move(event.clientY - from, event);
  });
  listen<PointerEvent>(target, 'pointerup', (event) => {
    if (!moved) return end(false);
    over.abort();
    drag.drop(event.clientY - from, event);
  });
  listen(target, 'pointercancel', giveUp);
  // Of an element that has gone meanwhile only the document hears.
  listen<PointerEvent>(
    document,
    'lostpointercapture',
    (event) => event.pointerId === e.pointerId && giveUp(),
    true,
  );
  listen<KeyboardEvent>(
    window,
    'keydown',
    (event) => {
      if (event.key !== 'Escape') return;
      event.stopPropagation();
      giveUp();
    },
    true,
  );
  return true;
}
