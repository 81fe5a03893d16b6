/** A simulated trial: the page’s motions under a gesture, frame by frame, with predicted costs. Pure; made for a worker. */
import { isRangeless } from '../drivers/index.ts';
import {
  computeAmounts,
  ownAmounts,
  COST_PARTS,
  computeCost,
  noAmounts,
  QUANTITY_NAMES,
} from '../budget/index.ts';
import type { Amounts, Coefficients, CostPart } from '../budget/index.ts';
import type { FrameClock, Gesture } from '../gesture/index.ts';
import type { MotionDocument, CompiledTimeline } from '../motion/index.ts';
import type { Ms, Px } from '../page/index.ts';
import { perspectiveFor, listPerspectives } from './perspective.ts';
import { framesWithin, findRide } from './ride.ts';
import type { Direction, Ride } from './ride.ts';
import { findCrossing } from './smoothness.ts';
import type { MotionFigures } from './smoothness.ts';
import type { TrialFrames } from './trial.ts';

export interface Simulation {
  document: MotionDocument;
  timeline: CompiledTimeline;
  gesture: Gesture;
  clock: FrameClock;
  direction: Direction;
  coefficients: Coefficients;
  dpr?: number;
}

/** What a motion adds to the frames in which it moves something. */
export interface Charge {
  motion: string;
  element: number;
  start: Px;
  end: Px;
  /** ms per frame */
  parts: Record<CostPart, Ms>;
  total: Ms;
}

export interface Simulated {
  frames: TrialFrames;
  figures: MotionFigures[];
  charges: Charge[];
  /** how far off the predicted cost may be, as a share */
  band: number;
  /** longest way of the page itself from one frame to the next, px, as at 60 Hz */
  handStep: Px;
}

/** Layers are put together once a frame, however many motions move one element. */
type Step = { done: number; of: number };

/** Works in slices: yields after each motion, so that whoever drives it can tell how far it is, or end it. */
export function* simulating(s: Simulation): Generator<Step, Simulated> {
  const { timeline, document, gesture, clock, direction, coefficients, dpr = 1 } = s;
  const max = timeline.layout.scrollers[0]!.max.block;
  const dampings = timeline.instances.map((i) => i.motion.damping);
  const ride = findRide(gesture, max, clock, direction, dampings);
  const ridden = { ride, gesture, clock, max };
  const perspectives = listPerspectives(document, timeline);
  const load = new Load(ride, coefficients);
  const figures: MotionFigures[] = [];
  const charges: Charge[] = [];
  const n = timeline.instances.length;
  for (let i = 0; i < n; i++) {
    const { motion, element, placed } = timeline.instances[i]!;
    // What hangs on another scroller does not move with this gesture; a marquee plays in time.
    if (placed.scroller !== 0 || placed.axis !== 'block') continue;
    const amounts = computeAmounts(timeline, i, dpr);
    const parts = computeCost(amounts, coefficients);
    const total = COST_PARTS.reduce((sum, p) => sum + parts[p], 0);
    const [start, end] = [timeline.start[i]!, timeline.end[i]!];
    charges.push({ motion: motion.id, element, start, end, parts, total });
    if (isRangeless(motion.driver)) load.add(amounts, framesWithin(ride.damped(motion.damping), start, end));
    else {
      const crossing = findCrossing(timeline, i, perspectiveFor(element, timeline, perspectives), ridden);
      load.add(amounts, crossing.stretches);
      figures.push(crossing.figures);
    }
    if (i % 16 === 15) yield { done: i + 1, of: n };
  }
  for (const own of timeline.layout.own ?? [])
    load.add(ownAmounts(timeline.layout, own, dpr), framesWithin(ride.offsets, own.start, own.end));
  const handStep =
    ride.offsets.reduce((m, y, i) => (i ? Math.max(m, Math.abs(y - ride.offsets[i - 1]!)) : m), 0) *
    (clock.refresh / 60);
  return { frames: load.frames(), figures, charges, band: coefficients.error, handStep };
}

/** The same in one go. */
export function simulate(s: Simulation): Simulated {
  const work = simulating(s);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** Amounts per frame, as differences at the first and after the last frame of each stretch: one motion costs two sums. */
class Load {
  private readonly changes: Record<keyof Amounts, Float64Array>;
  constructor(
    private readonly ride: Ride,
    private readonly coefficients: Coefficients,
  ) {
    const n = ride.offsets.length + 1;
    this.changes = Object.fromEntries(
      QUANTITY_NAMES.map((q) => [q, new Float64Array(n)]),
    ) as typeof this.changes;
  }

  add(amounts: Amounts, stretches: readonly [number, number][]): void {
    for (const q of QUANTITY_NAMES) {
      const by = amounts[q];
      if (by === 0) continue;
      const change = this.changes[q];
      for (const [first, after] of stretches) {
        change[first]! += by;
        change[after]! -= by;
      }
    }
  }

  frames(): TrialFrames {
    const { times, offsets, arrived } = this.ride;
    const n = offsets.length;
    const out: TrialFrames = {
      t: Array.from(times, hundredth),
      y: Array.from(offsets),
      script: new Array<number>(n),
      style: new Array<number>(n),
      paint: new Array<number>(n),
      composite: new Array<number>(n),
    };
    const amounts = noAmounts();
    const running = noAmounts();
    for (let i = 0; i < n; i++) {
      for (const q of QUANTITY_NAMES) running[q] += this.changes[q][i]!;
      const scrolls = i > 0 && offsets[i] !== offsets[i - 1];
      // While the page stands still only what follows still moves.
      const moves = scrolls || i > arrived;
      for (const q of QUANTITY_NAMES) amounts[q] = moves ? Math.max(0, running[q]) : 0;
      amounts.frame = 1;
      amounts.scroll = Number(scrolls);
      const parts = computeCost(amounts, this.coefficients);
      for (const p of COST_PARTS) out[p][i] = hundredth(parts[p]);
    }
    return out;
  }
}

const hundredth = (n: number) => Math.round(n * 100) / 100;

/** Amounts of every frame at given offsets, for the fit: what was asked of the browser there. */
export function amountsAlong(timeline: CompiledTimeline, offsets: ArrayLike<number>, dpr = 1): Amounts[] {
  const each = timeline.instances.map((_, i) => computeAmounts(timeline, i, dpr));
  return Array.from(offsets, (y, k) => {
    const out = noAmounts();
    out.frame = 1;
    out.scroll = Number(k > 0 && offsets[k - 1] !== y);
    if (!out.scroll) return out;
    for (let i = 0; i < each.length; i++) {
      const { placed } = timeline.instances[i]!;
      if (placed.scroller !== 0 || placed.axis !== 'block') continue;
      if (!(y > timeline.start[i]! && y < timeline.end[i]!)) continue;
      for (const q of QUANTITY_NAMES) out[q] += each[i]![q];
    }
    return out;
  });
}
