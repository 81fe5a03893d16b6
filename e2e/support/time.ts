/** Time in tests: the app says when it has come to rest, the page says how far its own clock is, and hands pause. Nothing else waits. */
import type { Frame, Page } from '@playwright/test';

/**
 * The Rundown has come to rest: measured, and its findings are of what is done. It has to stay so for a while, since one change may bring
 * another; where there is no Rundown, no frame may be missed for as long.
 */
export const settled = (page: Page): Promise<unknown> =>
  page.waitForFunction(
    (stable) => {
      const state = window as unknown as { settledSince?: number };
      const rundown = document.querySelector('.rundown');
      const restless =
        (rundown && rundown.getAttribute('data-settled') !== 'true') ||
        document.querySelector('.preview:not([data-link="ready"])');
      const now = performance.now();
      if (restless || state.settledSince === undefined) state.settledSince = now;
      const rests = !restless && now - state.settledSince > stable;
      if (rests) delete state.settledSince;
      return rests;
    },
    STABLE_MS,
    { timeout: 30_000, polling: 'raf' },
  );
const STABLE_MS = 300;

/** The page’s own time goes on by so many ms, frame by frame: what moves in it has moved for as long. */
export const elapse = (page: Page | Frame, ms: number): Promise<void> =>
  page.evaluate(
    (ms) =>
      new Promise<void>((done) => {
        const from = performance.now();
        const step = () => (performance.now() - from >= ms ? done() : void requestAnimationFrame(step));
        requestAnimationFrame(step);
      }),
    ms,
  );

/** A network, a server or a person that takes its time: what is slow is what is tested. */
export const latency = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** A hand pauses between two movements, as people do. */
export const dwell = (page: Page, ms: number): Promise<void> =>
  // eslint-disable-next-line no-restricted-syntax -- the one place where hands pause
  page.waitForTimeout(ms);
