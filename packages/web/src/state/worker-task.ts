/** Questions of one kind, asked of a worker one at a time. A newer question ends an older one. Framework-free. */
import { createStore } from 'zustand/vanilla';
import type { StoreApi } from 'zustand/vanilla';
import type { AnswerOf, FromWorker, InputOf, JobName, ToWorker } from './workers/jobs.ts';

/** What was asked, and the answer to it. */
export type Answered<J extends JobName> = InputOf<J> & { answer: AnswerOf<J> };
export type Simulation = Answered<'trial'>;

export interface WorkerTaskState<J extends JobName> {
  /** the newest one that is finished; it may be of an older question */
  last: Answered<J> | null;
  /** share that is done of the one under way */
  running: number | null;
  failed: string | null;
}

type WorkerLike = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;
const startWorker = (): WorkerLike =>
  new Worker(new URL('./workers/worker.ts', import.meta.url), { type: 'module' });

/** A quick change of mind costs less by waiting than by starting another worker, ms. */
const TIMEOUT_MS = 400;

export class WorkerTask<J extends JobName> {
  readonly store: StoreApi<WorkerTaskState<J>> = createStore<WorkerTaskState<J>>(() => ({
    last: null,
    running: null,
    failed: null,
  }));
  private worker: WorkerLike | null = null;
  private sent: Partial<InputOf<J>> = {};
  private since = 0;
  private waiting: InputOf<J> | null = null;
  private readonly job: J;
  private readonly start: () => WorkerLike;

  constructor(job: J, start: () => WorkerLike = startWorker) {
    this.job = job;
    this.start = start;
  }

  ask(input: InputOf<J>): void {
    if (this.store.getState().running !== null) {
      this.waiting = input;
      if (performance.now() - this.since < TIMEOUT_MS) return;
      this.end();
    }
    this.begin(input);
  }

  private begin(input: InputOf<J>): void {
    this.waiting = null;
    this.since = performance.now();
    const worker = (this.worker ??= this.start());
    worker.onmessage = (e: MessageEvent<FromWorker>) => {
      const message = e.data;
      if (message.type === 'step') return this.store.setState({ running: message.done / message.of });
      this.store.setState(
        message.type === 'done'
          ? { last: { ...input, answer: message.answer as AnswerOf<J> }, running: null, failed: null }
          : { running: null, failed: message.why },
      );
      if (this.waiting) this.begin(this.waiting);
    };
    worker.onerror = (e) => {
      this.end();
      this.store.setState({ failed: (e as ErrorEvent).message || 'the worker could not be started' });
    };
    const parts = Object.entries(input) as [keyof InputOf<J> & string, unknown][];
    const isKept = ([key, value]: (typeof parts)[number]) =>
      typeof value === 'object' && this.sent[key] === value;
    worker.postMessage({
      job: this.job,
      input: Object.fromEntries(parts.filter((p) => !isKept(p))) as Partial<InputOf<J>>,
      kept: parts.filter(isKept).map(([key]) => key),
    } satisfies ToWorker<J>);
    this.sent = input;
    this.store.setState({ running: 0, failed: null });
  }

  /** Ends what is under way; what was finished before stays. */
  end(): void {
    this.worker?.terminate();
    this.worker = null;
    this.sent = {};
    this.waiting = null;
    this.store.setState({ running: null });
  }
}
