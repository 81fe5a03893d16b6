/** What measured runs amount to, in the lab or in the user’s own browser. */
import { itemAt } from '../assert/index.ts';
import * as z from 'zod';
import { COST_PARTS } from '../budget/index.ts';
import { clockById, CLOCKS } from '../gesture/index.ts';
import type { Gesture } from '../gesture/index.ts';
import type { Ms, Px } from '../page/index.ts';
import { findRide } from './ride.ts';
import type { Direction } from './ride.ts';
import { partsAt, percentile } from './summary.ts';
import type { TrialEvent, TrialFrames, TrialResult, TrialSetup } from './trial.ts';

const MAX_EVENTS = 5000;
export const runCost = (f: TrialFrames): Ms => f.t.reduce((s, _t, i) => s + partsAt(f, i), 0);

/** The run of median cost. */
export const medianRun = (runs: readonly TrialFrames[]): TrialFrames | undefined =>
  [...runs].sort((a, b) => runCost(a) - runCost(b))[Math.floor(runs.length / 2)];

/** Refreshes of the screen in which nothing new was shown. */
export function droppedIn(f: TrialFrames, refresh = 60): TrialEvent[] {
  const frame = 1000 / refresh;
  return f.t
    .flatMap((t, i) => {
      const missed = Math.round((f.interval?.[i] ?? frame) / frame) - 1;
      return missed > 0
        ? [{ kind: 'dropped' as const, t, y: itemAt(f.y, i), size: missed, what: `${missed} missed` }]
        : [];
    })
    .slice(0, MAX_EVENTS);
}

/** Runs that differ by more than this from each other say little. */
const WIDE = 0.3;
export function doubts(costs: readonly Ms[]): string[] {
  const [low, high] = [Math.min(...costs), Math.max(...costs)];
  return high > low * (1 + WIDE)
    ? [
        `The runs differ by ${Math.round((100 * (high - low)) / low)} %: the machine was busy with something else.`,
      ]
    : [];
}

const column = z.array(z.number().finite()).max(60_000);
/** One run as the page’s own script saw it; times in ms since the first frame. */
export const RiddenSchema = z.strictObject({
  /** intervals of frames before anything was scrolled */
  idle: column,
  t: column,
  y: column,
  /** ms that the main thread took from the frame’s first callback until it was drawn */
  busy: column,
  /** long animation frames, with what was in them */
  long: z
    .array(
      z.strictObject({
        t: z.number(),
        y: z.number(),
        duration: z.number(),
        script: z.number(),
        style: z.number(),
      }),
    )
    .max(5000),
  shifts: z.array(z.strictObject({ t: z.number(), y: z.number(), score: z.number() })).max(5000),
  hidden: z.boolean(),
});
export type Ridden = z.infer<typeof RiddenSchema>;

/** The screen’s own rate, from frames in which nothing happened: the nearest of the clocks, and what was measured. */
export function toRefresh(idle: readonly Ms[]): { clock: string; refresh: number } {
  const median = percentile(Float64Array.from(idle).sort(), 0.5) || 1000 / 60;
  const refresh = 1000 / median;
  const even = CLOCKS.filter((c) => c.pattern.length === 1);
  const nearest = even.reduce((best, c) =>
    Math.abs(c.refresh - refresh) < Math.abs(best.refresh - refresh) ? c : best,
  );
  return { clock: nearest.id, refresh };
}

/**
 * Frames of a run in parts. A browser tells the parts of long frames only; of others it is known how long the main thread took, which counts
 * as style.
 */
export function framesOfRide(r: Ridden): TrialFrames {
  const n = Math.min(r.t.length, r.y.length, r.busy.length);
  const zeros = () => new Array<number>(n).fill(0);
  const parts = Object.fromEntries(COST_PARTS.map((p) => [p, zeros()])) as Record<
    (typeof COST_PARTS)[number],
    number[]
  >;
  const t = r.t.slice(0, n);
  for (let i = 0; i < n; i++) parts.style[i] = Math.max(0, itemAt(r.busy, i));
  for (const long of r.long) {
    // The frame that was under way when it began.
    let i = t.findIndex((at) => at >= long.t - 1);
    if (i < 0) i = n - 1;
    if (n === 0) break;
    parts.script[i] = long.script;
    parts.style[i] = Math.max(long.style, itemAt(parts.style, i));
    parts.paint[i] = Math.max(0, long.duration - long.script - itemAt(parts.style, i));
  }
  const interval = t.map((at, i) => (i ? at - itemAt(t, i - 1) : 0));
  return {
    t,
    y: r.y.slice(0, n),
    ...parts,
    interval: interval.map((ms, i) => (i ? ms : (interval[1] ?? 0))),
  };
}

const ms = (n: number) => `${Math.round(n)} ms`;
const longEvents = ({ long, shifts }: Ridden): TrialEvent[] => [
  ...long.map((l) => ({
    kind: 'long-frame' as const,
    t: l.t,
    y: l.y,
    size: l.duration,
    what: `${ms(l.duration)}: ${ms(l.script)} script, ${ms(l.style)} style and layout`,
  })),
  ...shifts.map((s) => ({
    kind: 'shift' as const,
    t: s.t,
    y: s.y,
    size: s.score,
    what: `score ${s.score.toFixed(3)}`,
  })),
];

/** More late frames than this before anything is scrolled, and the machine is too busy to be believed. */
const BUSY = 0.15;

interface RiddenHow {
  hidden: boolean;
  /** share of the page’s window that was on the screen */
  seen: number;
  /** where: in the user’s own browser, or in one of the lab */
  kind?: 'here' | 'lab';
  /** what has to be known of the figures first of all */
  notes?: readonly string[];
}

/** Of rides that a page’s own script has watched. The first run only warms up. Null where the browser showed no frames at all. */
export function riddenResult(
  setup: TrialSetup,
  [, ...measured]: readonly Ridden[],
  { hidden, seen, kind = 'here', notes: first = [] }: RiddenHow,
): TrialResult | null {
  const idle = measured.flatMap((r) => r.idle);
  const { clock, refresh } = toRefresh(idle);
  const all = measured.map((r) => ({ ridden: r, frames: framesOfRide(r) }));
  const kept = medianRun(all.map((r) => r.frames));
  const own = all.find((r) => r.frames === kept);
  if (!kept || !own || kept.t.length < 2) return null;
  const even = Number(clock);
  const late = idle.filter((n) => n > 1500 / refresh).length;
  const notes = [
    ...first,
    ...(hidden || measured.some((r) => r.hidden)
      ? ['The tab was hidden for a while; a hidden page is drawn rarely or never.']
      : []),
    ...(late > BUSY * idle.length
      ? [
          `The machine was busy already: ${late} of ${idle.length} frames were late before anything was scrolled.`,
        ]
      : []),
    ...(seen < 0.999
      ? [
          `Only ${Math.round(100 * seen)} % of the page’s window fitted into this one; what is outside is not drawn.`,
        ]
      : []),
    ...(Math.abs(refresh - even) > 0.06 * even
      ? [`This screen shows ${refresh.toFixed(0)} frames a second.`]
      : []),
    ...doubts(all.map((r) => runCost(r.frames))),
  ];
  return {
    format: 'lyvek-trial',
    version: 1,
    kind,
    setup: { ...setup, clock },
    frames: kept,
    events: [...droppedIn(kept, even), ...longEvents(own.ridden)]
      .sort((a, b) => a.t - b.t)
      .slice(0, MAX_EVENTS),
    spread: all.map((r) => Math.round(runCost(r.frames))),
    notes,
  };
}

/** Where the hand is, sampled finely enough for any screen: what the page is scrolled by. */
export interface RidePath {
  t: Ms[];
  y: Px[];
}

/** The path of a hand for any screen: two samples in each frame of 60 Hz. */
export function makeRidePath(gesture: Gesture, max: Px, direction: Direction): RidePath {
  const { times, offsets, arrived } = findRide(gesture, max, clockById('120'), direction, []);
  return { t: [...times.subarray(0, arrived + 1)], y: [...offsets.subarray(0, arrived + 1)] };
}
