/** A page that is only looked at does not get the keyboard: what it takes is given back to whoever had it. */

/** Takes so often in so many ms: the page does it on purpose. */
const MAX_TAKEN = 5;
const WITHIN_MS = 4000;
/** `isUsed`: the page may have the keyboard at the moment. `stolen` is told when it is taken again and again. Returns what ends it. */
export function keepFocus(frame: HTMLIFrameElement, isUsed: () => boolean, stolen: () => void): () => void {
  const over = new AbortController();
  let last: HTMLElement | null = null;
  let taken: number[] = [];
  const giveBack = () => {
    if (document.activeElement !== frame || isUsed()) return;
    const now = performance.now();
    taken = [...taken.filter((t) => t > now - WITHIN_MS), now];
    if (taken.length >= MAX_TAKEN) stolen();
    if (last?.isConnected) last.focus({ preventScroll: true });
    else frame.blur();
    window.focus();
  };
  const listen = <K extends keyof WindowEventMap>(type: K, f: (e: WindowEventMap[K]) => void) =>
    addEventListener(type, f, { capture: true, signal: over.signal });
  listen('focusin', (e) => {
    if (e.target !== frame && e.target instanceof HTMLElement) last = e.target;
  });
  // Who has it is known only after the event.
  listen('blur', () => setTimeout(giveBack));
  return () => over.abort();
}
