/** One take under every way of scrolling, at several rates and sizes, each as a predicted trial with what the checks say of it. */
import { shippedCoefficients } from '../budget/index.ts';
import type { Coefficients } from '../budget/index.ts';
import { CHECKS, findFindings, acceptedFor } from '../check/index.ts';
import type { Finding, Limits } from '../check/index.ts';
import type { FrameClock, Gesture } from '../gesture/index.ts';
import { activeMedia, compileTimeline, underMedia } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import type { Layout, Ms, Px, Viewport } from '../page/index.ts';
import { simulating, summarize } from '../trial/index.ts';
import type { Direction } from '../trial/index.ts';

export interface WaysQuestion {
  /** with all its conditions */
  document: MotionDocument;
  layouts: readonly Layout[];
  /** ways of scrolling a window of some height, each under a key of its own */
  gestures(port: Px): readonly { key: string; gesture: Gesture }[];
  clocks: readonly FrameClock[];
  direction: Direction;
  limits: Limits;
  device: string;
  dpr: number;
  /** null: those that Lyvek comes with */
  unitCosts: Coefficients | null;
  reducedMotion: boolean;
}

/** The worst of something, and whose it is. */
export interface Worst {
  value: number;
  motion: string;
}

export interface WayFigures {
  gesture: string;
  clock: string;
  viewport: Viewport;
  /** share of frames within the budget */
  onTime: number;
  p95: Ms;
  worst: Ms;
  worstAt: Px;
  /** null where no motion hangs on the scroll */
  fewestFrames: Worst | null;
  longestStep: Worst | null;
  findings: Pick<Finding, 'check' | 'about' | 'severity'>[];
}

/** What depends on the way of scrolling; everything else is said once, by the sizes. */
const BY_THE_WAY = CHECKS.filter((c) => ['smoothness', 'feel', 'budget', 'care'].includes(c.group));

const extreme = <T>(list: readonly T[], of: (x: T) => number, sign: 1 | -1): T | null =>
  list.reduce<T | null>((best, x) => (best === null || sign * of(x) > sign * of(best) ? x : best), null);

/** Yields after each way. */
export function* tryingWays(q: WaysQuestion): Generator<{ done: number; of: number }, WayFigures[]> {
  const out: WayFigures[] = [];
  for (const layout of q.layouts) {
    const gestures = q.gestures(layout.viewport.height);
    const of = q.layouts.length * gestures.length * q.clocks.length;
    const active = activeMedia(q.document, { viewport: layout.viewport, reducedMotion: q.reducedMotion });
    const document = underMedia(q.document, active);
    const held = withPins(layout, document.pins);
    const timeline = compileTimeline(document, held);
    for (const { key, gesture } of gestures)
      for (const clock of q.clocks) {
        const coefficients = q.unitCosts ?? shippedCoefficients(q.device);
        const work = simulating({
          document,
          timeline,
          gesture,
          clock,
          direction: q.direction,
          coefficients,
          dpr: q.dpr,
        });
        let step = work.next();
        while (!step.done) step = work.next();
        const trial = step.value;
        const s = summarize(trial.frames, clock.refresh);
        const few = gesture.leaps ? null : extreme(trial.figures, (f) => f.frames, -1);
        const long = extreme(trial.figures, (f) => f.peakStep, 1);
        out.push({
          gesture: key,
          clock: clock.id,
          viewport: layout.viewport,
          onTime: s.onTime,
          p95: s.p95,
          worst: s.worst,
          worstAt: s.worstAt,
          fewestFrames: few && { value: few.frames, motion: few.motion },
          longestStep: long && { value: long.peakStep, motion: long.motion },
          findings: findFindings({ document, timeline, gesture, clock, limits: q.limits, trial }, BY_THE_WAY)
            .filter((f) => !acceptedFor(document, f, held))
            .map(({ check, about, severity }) => ({ check, about, severity })),
        });
        yield { done: out.length, of };
      }
  }
  return out;
}
