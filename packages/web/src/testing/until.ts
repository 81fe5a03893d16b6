/** Waiting in tests: for a state, turn by turn of the event loop, never for the clock. */

/** Long enough for a machine that is busy with other things; only what fails takes as long. */
const MAX_WAIT_MS = 10_000;

/** A turn of the event loop: timers that are due and messages that have arrived are handled. */
export const turn = (): Promise<void> => new Promise((done) => setImmediate(done));

/** As many turns as messages take from port to port and back, on any machine. */
export async function turns(): Promise<void> {
  for (let i = 0; i < 12; i++) await turn();
}

/** Waits until it holds; the assertion behind it says what is wrong if it never does. */
export async function until(holds: () => boolean): Promise<void> {
  const end = performance.now() + MAX_WAIT_MS;
  while (!holds() && performance.now() < end) await turn();
}
