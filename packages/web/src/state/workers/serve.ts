/** The other end of a worker task: does what is asked of this worker, and tells how far it is. */
import { applyDocumentPatch } from '@lyvek/core';
import type { FromWorker, ToWorker } from './jobs.ts';

type AnyJob = (input: never) => Generator<{ done: number; of: number }, unknown>;

/** Often enough for a progress bar, ms. */
const EVERY = 40;

/** Answers questions about these jobs for as long as the worker lives. */
export function serve(jobs: Record<string, AnyJob>): void {
  let last: Record<string, unknown> = {};
  const say = (message: FromWorker) => postMessage(message);
  addEventListener('message', ({ data: { job, input, kept, patches } }: MessageEvent<ToWorker>) => {
    const patched = Object.entries(patches).map(([k, p]) => [k, applyDocumentPatch(last[k] as object, p)]);
    last = { ...Object.fromEntries(kept.map((k) => [k, last[k]])), ...input, ...Object.fromEntries(patched) };
    try {
      const work = jobs[job]!(last as never);
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
}
