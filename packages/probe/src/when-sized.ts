/** A frame hears of its new size a moment after it was given it: what is asked for a size waits for that. */
import type { Viewport } from '@lyvek/core';

/** A window that never becomes so large is measured as it is, ms. */
const MAX_WAIT_MS = 500;

let stopWaiting = () => {};

/** Runs work once the window has this size; work that still waits is given up for it. Without a size it runs at once. */
export function whenSized(size: Viewport | undefined, work: () => void): void {
  stopWaiting();
  const fits = () => !size || (innerWidth === size.width && innerHeight === size.height);
  if (fits()) return work();
  const done = () => {
    stopWaiting();
    work();
  };
  const heard = () => fits() && done();
  const timer = setTimeout(done, MAX_WAIT_MS);
  addEventListener('resize', heard);
  stopWaiting = () => {
    clearTimeout(timer);
    removeEventListener('resize', heard);
    stopWaiting = () => {};
  };
}
