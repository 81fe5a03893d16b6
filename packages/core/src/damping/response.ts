/** How a follow setting answers: what is shown while the hand steps, ramps or flicks, and the figures that limits are set on. */
import type { Ms, Px } from '../page/index.ts';
import { frameTimes } from '../gesture/clock.ts';
import type { FrameClock } from '../gesture/clock.ts';
import { damp } from './damping.ts';
import type { Damping, DampedOffset } from './damping.ts';

/** Where the hand stands over time: px from its start. A knee is a time at which its speed changes at once. */
export interface HandInput {
  id: 'step' | 'ramp' | 'flick';
  name: string;
  what: string;
  /** when the hand has come to rest, ms */
  rest: Ms;
  at(t: Ms): Px;
  knees: readonly Ms[];
}

/** Inputs over `distance` px. Chosen by us: long enough to see a lag become steady, short enough to read. */
export const HAND_INPUTS: Record<HandInput['id'], (distance: Px) => HandInput> = {
  step: (distance) => ({
    id: 'step',
    name: 'Step',
    what: `a jump of ${distance} px`,
    rest: 0,
    at: () => distance,
    knees: [0],
  }),
  ramp: (distance) => ({
    id: 'ramp',
    name: 'Ramp',
    what: `${distance} px in half a second, evenly`,
    rest: 500,
    at: (t) => distance * Math.min(1, t / 500),
    knees: [0, 500],
  }),
  flick: (distance) => ({
    id: 'flick',
    name: 'Flick',
    what: `a ${distance} px flick`,
    // Momentum never quite ends; from here on the page, on whole px, stands still.
    rest: FADE * Math.log(Math.max(2, distance * 2)),
    at: (t) => distance * (1 - Math.exp(-t / FADE)),
    knees: [0],
  }),
};
const FADE = 120;

export interface Response {
  times: number[];
  hand: number[];
  shown: number[];
  /** largest distance behind the hand, px, and when */
  lag: Px;
  lagAt: Ms;
  /** beyond the end, as a share of the distance */
  overshoot: number;
  /** from when on it stays within `NEAR` px of the end, ms since the hand set out */
  settled: Ms;
  /** the same, since the hand came to rest */
  after: Ms;
}

/** As near to its end as to count as settled, px. */
export const NEAR: Px = 1;
const LONGEST: Ms = 20_000;

/**
 * Plays an input by a clock until what is shown has settled, at least for `least` ms. Between two frames the hand is taken to move in a
 * straight line, as the script takes it. What has not settled within 20 s counts as settled there.
 */
export function respond(
  how: Damping,
  input: HandInput,
  clock: FrameClock,
  distance: Px,
  least: Ms = 0,
): Response {
  const at = frameTimes(clock);
  const f = { y: 0, v: 0 };
  const times: number[] = [0];
  const hand: number[] = [input.at(0)];
  const shown: number[] = [0];
  let last = input.at(0);
  for (let i = 1; at(i - 1) < LONGEST; i++) {
    const now = input.at(at(i));
    damp(f, how, last, now, at(i) - at(i - 1));
    last = now;
    times.push(at(i));
    hand.push(now);
    shown.push(f.y);
    if (at(i) >= least && at(i) > input.rest && swing(how, f, distance) < NEAR / 4) break;
  }
  return { times, hand, shown, ...computeFigures(times, hand, shown, distance, input.rest) };
}

/** How far off it is or will yet be: a spring that is just passing its end still has its speed. */
const swing = (how: Damping, f: DampedOffset, end: Px): Px =>
  how.kind === 'spring'
    ? Math.hypot(f.y - end, (f.v * 1000) / (2 * Math.PI * how.frequency))
    : Math.abs(f.y - end);

function computeFigures(times: number[], hand: number[], shown: number[], distance: Px, rest: Ms) {
  let lagAt = 0;
  let highest = 0;
  let settled = 0;
  for (let i = 0; i < times.length; i++) {
    if (hand[i]! - shown[i]! > hand[lagAt]! - shown[lagAt]!) lagAt = i;
    highest = Math.max(highest, shown[i]!);
    if (Math.abs(shown[i]! - distance) >= NEAR) settled = i + 1;
  }
  const end = settledBetween(times, shown, Math.min(settled, times.length - 1), distance);
  return {
    lag: hand[lagAt]! - shown[lagAt]!,
    lagAt: times[lagAt]!,
    overshoot: Math.max(0, highest / distance - 1),
    settled: end,
    after: Math.max(0, end - rest),
  };
}

/** The place between two frames where it came near for good: in a straight line of the logarithm of what is left. */
function settledBetween(times: number[], shown: number[], i: number, distance: Px): Ms {
  if (i === 0) return 0;
  const [before, after] = [Math.abs(shown[i - 1]! - distance), Math.abs(shown[i]! - distance)];
  if (before <= NEAR || after >= before || after < 1e-9) return times[i]!;
  const share = Math.log(before / NEAR) / Math.log(before / after);
  return times[i - 1]! + Math.min(1, share) * (times[i]! - times[i - 1]!);
}
