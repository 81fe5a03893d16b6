/** What a worker can be asked to do: one line each. Every job yields how far it is and returns its answer. */
import {
  clockById,
  CLOCKS,
  DEFAULT_GESTURE,
  deviceById,
  findGesture,
  recordedGesture,
  sweeping,
  tryingWays,
  GESTURES,
} from '@lyvek/core';
import type { DocumentPatch, PinnedLayout, Layout, Limits, MotionDocument, Trace } from '@lyvek/core';
import type { HAND_OFF_JOBS } from './hand-off-jobs.ts';
import { traceKey, trialWork } from './trial-work.ts';
import type { TrialQuestion } from './trial-work.ts';

/** A take at many sizes. */
export interface SweepInput {
  /** with all its conditions */
  document: MotionDocument;
  layouts: readonly Layout[];
  limits: Limits;
  /** the reader asks for reduced motion */
  reducedMotion: boolean;
}
/** A take under every way of scrolling, the project’s own among them. */
export interface WaysInput extends Omit<SweepInput, 'limits'> {
  question: TrialQuestion;
  traces: readonly Trace[];
}

/** What the checks of a sweep look at does not depend on how it is scrolled, but checks are told. */
const gesture = findGesture(DEFAULT_GESTURE, 800);

export const JOBS = {
  trial: (i: { document: MotionDocument; layout: PinnedLayout; question: TrialQuestion }) =>
    trialWork(i.document, i.layout, i.question),
  sweep: (i: SweepInput) => sweeping({ ...i, gesture, clock: clockById('60') }),
  ways: ({ question: q, traces, ...rest }: WaysInput) =>
    tryingWays({
      ...rest,
      ...q,
      dpr: deviceById(q.device).dpr,
      clocks: CLOCKS,
      gestures: (port) => [
        ...GESTURES.map(({ id }) => ({ key: id, gesture: findGesture(id, port, q.values) })),
        ...traces.map((t) => ({ key: traceKey(t), gesture: recordedGesture(t) })),
      ],
    }),
} satisfies Record<string, (input: never) => Generator<{ done: number; of: number }, unknown>>;

type Jobs = typeof JOBS & typeof HAND_OFF_JOBS;
export type JobName = keyof Jobs;
export type InputOf<J extends JobName> = Parameters<Jobs[J]>[0];
export type AnswerOf<J extends JobName> = ReturnType<Jobs[J]> extends Generator<unknown, infer A> ? A : never;

export interface ToWorker<J extends JobName = JobName> {
  job: J;
  input: Partial<InputOf<J>>;
  /** parts of the input that are as they were last time: they are large, and crossing costs time */
  kept: string[];
  /** what has changed in a document since last time; what has not stays the same object over there, with all that is known of it */
  patches: Record<string, DocumentPatch>;
}
export type FromWorker =
  | { type: 'step'; done: number; of: number }
  | { type: 'done'; answer: unknown }
  | { type: 'failed'; why: string };
