/** Simulated trials of one opened page, one at a time in a worker. A newer question ends an older one. Framework-free. */
import { createStore } from 'zustand/vanilla';
import type { HeldLayout, MotionDocument } from '@lyvek/core';
import type { TrialAnswer, TrialQuestion } from '../workers/trial-work.ts';
import type { FromTrialWorker, ToTrialWorker } from '../workers/trial-worker.ts';

export interface Simulation {
  document: MotionDocument;
  layout: HeldLayout;
  question: TrialQuestion;
  answer: TrialAnswer;
}
export interface SimulationState {
  /** the newest one that is finished; it may be of an older document */
  last: Simulation | null;
  /** share that is done of the one under way */
  running: number | null;
  failed: string | null;
}

type WorkerLike = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;
const startWorker = (): WorkerLike =>
  new Worker(new URL('../workers/trial-worker.ts', import.meta.url), { type: 'module' });

/** A quick change of mind costs less by waiting than by starting another worker. */
const PATIENCE = 400;

export class Simulations {
  readonly store = createStore<SimulationState>(() => ({ last: null, running: null, failed: null }));
  private worker: WorkerLike | null = null;
  private sent: HeldLayout | null = null;
  private since = 0;
  private waiting: Omit<Simulation, 'answer'> | null = null;
  private readonly start: () => WorkerLike;

  constructor(start: () => WorkerLike = startWorker) {
    this.start = start;
  }

  ask(asked: Omit<Simulation, 'answer'>): void {
    if (this.store.getState().running !== null) {
      this.waiting = asked;
      if (performance.now() - this.since < PATIENCE) return;
      this.end();
    }
    this.begin(asked);
  }

  private begin(asked: Omit<Simulation, 'answer'>): void {
    this.waiting = null;
    this.since = performance.now();
    const worker = (this.worker ??= this.start());
    worker.onmessage = (e: MessageEvent<FromTrialWorker>) => {
      const message = e.data;
      if (message.is === 'step') return this.store.setState({ running: message.done / message.of });
      this.store.setState(
        message.is === 'done'
          ? { last: { ...asked, answer: message.answer }, running: null, failed: null }
          : { running: null, failed: message.why },
      );
      if (this.waiting) this.begin(this.waiting);
    };
    worker.onerror = (e) => {
      this.end();
      this.store.setState({ failed: (e as ErrorEvent).message || 'the worker could not be started' });
    };
    const { document, layout, question } = asked;
    worker.postMessage({
      document,
      layout: layout === this.sent ? null : layout,
      question,
    } satisfies ToTrialWorker);
    this.sent = layout;
    this.store.setState({ running: 0, failed: null });
  }

  /** Ends what is under way; what was finished before stays. */
  end(): void {
    this.worker?.terminate();
    this.worker = null;
    this.sent = null;
    this.waiting = null;
    this.store.setState({ running: null });
  }
}
