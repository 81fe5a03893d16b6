/** Simulated trials beside the main thread. */
import type { HeldLayout, MotionDocument } from '@lyvek/core';
import { trialWork } from './trial-work.ts';
import type { TrialAnswer, TrialQuestion } from './trial-work.ts';

export interface ToTrialWorker {
  /** null: as last time */
  layout: HeldLayout | null;
  document: MotionDocument;
  question: TrialQuestion;
}
export type FromTrialWorker =
  | { is: 'step'; done: number; of: number }
  | { is: 'done'; answer: TrialAnswer }
  | { is: 'failed'; why: string };

let known: HeldLayout | null = null;
const say = (message: FromTrialWorker) => postMessage(message);
/** Often enough for a progress bar. */
const EVERY = 64;

addEventListener('message', ({ data }: MessageEvent<ToTrialWorker>) => {
  known = data.layout ?? known;
  try {
    const work = trialWork(data.document, known!, data.question);
    for (let told = 0; ;) {
      const step = work.next();
      if (step.done) return say({ is: 'done', answer: step.value });
      if (step.value.done - told < EVERY) continue;
      told = step.value.done;
      say({ is: 'step', ...step.value });
    }
  } catch (error) {
    say({ is: 'failed', why: error instanceof Error ? error.message : String(error) });
  }
});
