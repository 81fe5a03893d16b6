/** Questions of one kind, asked of a worker one at a time. A newer question ends an older one. Framework-free. */
import { makeDocumentPatch } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
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

/** An edit changes few motions; a patch of many more would be larger than the document. */
const MAX_CHANGED = 40;
const isNear = (before: MotionDocument, after: MotionDocument): boolean => {
  const had = new Set(before.motions);
  return after.motions.length - after.motions.filter((m) => had.has(m)).length <= MAX_CHANGED;
};

/** What has to cross to a worker that still has what was sent last. */
function whatIsNew<I extends object>(
  sent: Partial<I>,
  input: I,
): Pick<ToWorker, 'kept' | 'patches'> & { input: Partial<I> } {
  const fresh: Partial<I> = {};
  const kept: string[] = [];
  const patches: ToWorker['patches'] = {};
  for (const [key, value] of Object.entries(input) as [keyof I & string, unknown][]) {
    const before = sent[key];
    if (typeof value === 'object' && before === value) kept.push(key);
    else if (
      key === 'document' &&
      before &&
      isNear(before as unknown as MotionDocument, value as MotionDocument)
    )
      patches[key] = makeDocumentPatch(before, value as MotionDocument);
    else fresh[key] = value as I[typeof key];
  }
  return { input: fresh, kept, patches };
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
      // What it has of the question is not known then.
      if (message.type === 'failed') this.sent = {};
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
    worker.postMessage({ job: this.job, ...whatIsNew(this.sent, input) } satisfies ToWorker<J>);
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
