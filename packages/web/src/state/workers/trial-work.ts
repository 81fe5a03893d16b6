/** What is asked of the trial worker, and the work itself, so that a test can do it without a worker. */
import {
  acceptedFor,
  clockById,
  compileTimeline,
  deviceById,
  findFindings,
  findGesture,
  recordedGesture,
  shippedCoefficients,
  simulating,
} from '@lyvek/core';
import type {
  Accepted,
  Coefficients,
  Direction,
  Finding,
  GestureValues,
  PinnedLayout,
  Limits,
  MistakeInPage,
  MotionDocument,
  Simulated,
  Trace,
} from '@lyvek/core';

export interface TrialQuestion {
  gesture: string;
  values: GestureValues;
  /** replayed instead of the gesture */
  trace: Trace | null;
  clock: string;
  direction: Direction;
  device: string;
  /** fitted for the device; null: those that Lyvek comes with */
  unitCosts: Coefficients | null;
  limits: Limits;
  /** what is wrong in the page’s own files */
  mistakes: readonly MistakeInPage[];
}

export interface AcceptedFinding {
  finding: Finding;
  accepted: Accepted;
}

export interface TrialAnswer extends Simulated {
  /** those that nobody has accepted */
  findings: Finding[];
  accepted: AcceptedFinding[];
}

/** A recorded way of scrolling is chosen by this key. */
export const traceKey = (t: Pick<Trace, 'name'>): string => `trace ${t.name}`;

export const gestureFor = (q: Pick<TrialQuestion, 'gesture' | 'values' | 'trace'>, port: number) =>
  q.trace ? recordedGesture(q.trace) : findGesture(q.gesture, port, q.values);

/** A simulated trial and what the checks say of it; yields how far it is. */
export function* trialWork(
  document: MotionDocument,
  layout: PinnedLayout,
  q: TrialQuestion,
): Generator<{ done: number; of: number }, TrialAnswer> {
  const timeline = compileTimeline(document, layout);
  const gesture = gestureFor(q, layout.viewport.height);
  const clock = clockById(q.clock);
  const trial = yield* simulating({
    document,
    timeline,
    gesture,
    clock,
    direction: q.direction,
    coefficients: q.unitCosts ?? shippedCoefficients(q.device),
    dpr: deviceById(q.device).dpr,
  });
  const findings: Finding[] = [];
  const accepted: AcceptedFinding[] = [];
  for (const finding of findFindings({
    document,
    timeline,
    gesture,
    clock,
    limits: q.limits,
    mistakes: q.mistakes,
    trial,
  })) {
    const known = acceptedFor(document, finding, layout);
    if (known) accepted.push({ finding, accepted: known });
    else findings.push(finding);
  }
  return { ...trial, findings, accepted };
}
