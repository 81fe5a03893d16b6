/** Long work beside the main thread. */
import { JOBS } from './jobs.ts';
import type { FromWorker, ToWorker } from './jobs.ts';

let last: Record<string, unknown> = {};
const say = (message: FromWorker) => postMessage(message);
/** Often enough for a progress bar, ms. */
const EVERY = 40;

addEventListener('message', ({ data: { job, input, kept } }: MessageEvent<ToWorker>) => {
  last = { ...Object.fromEntries(kept.map((k) => [k, last[k]])), ...input };
  try {
    const work = JOBS[job](last as never);
    for (let told = performance.now(); ;) {
      const step = work.next();
      if (step.done) return say({ type: 'done', answer: step.value });
      if (performance.now() - told < EVERY) continue;
      told = performance.now();
      say({ type: 'step', ...step.value });
    }
  } catch (error) {
    say({ type: 'failed', why: error instanceof Error ? error.message : String(error) });
  }
});
