/** When frames are shown: refresh rates, and rates at which some frames are missed. */
import { itemAt } from '../assert/index.ts';
import type { Ms } from '../page/index.ts';

export interface FrameClock {
  id: string;
  name: string;
  /** frames a second that the screen could show */
  refresh: number;
  /** refreshes from one shown frame to the next, repeated without end */
  pattern: readonly number[];
  what: string;
}

const even = (refresh: number): FrameClock => ({
  id: String(refresh),
  name: `${refresh} Hz`,
  refresh,
  pattern: [1],
  what: `${refresh} frames a second, none missed`,
});

export const CLOCKS: readonly FrameClock[] = [
  even(60),
  even(90),
  even(120),
  {
    id: 'irregular',
    name: 'Irregular',
    refresh: 60,
    // Chosen by us: one frame in twelve is late by one refresh, and one in forty by two.
    pattern: [1, 1, 1, 1, 2, 1, 1, 1, 1, 1, 1, 3, 1, 1, 1, 1, 1, 2, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 2, 1],
    what: 'A 60 Hz screen on a busy machine: every so often a frame is missed, or two',
  },
];

export const clockById = (id: string): FrameClock => CLOCKS.find((c) => c.id === id) ?? itemAt(CLOCKS, 0);
/** The even clock of a rate. */
export const makeClock = (refresh: number): FrameClock =>
  CLOCKS.find((c) => c.id === String(refresh)) ?? even(refresh);

/** Time of each frame in ms, the first at 0, as often as it is asked. */
export function frameTimes({ refresh, pattern }: FrameClock): (frame: number) => Ms {
  const times: Ms[] = [0];
  return (frame) => {
    while (times.length <= frame) {
      const n = times.length - 1;
      // Counted in refreshes, so that no error adds up.
      times.push(itemAt(times, n) + (itemAt(pattern, n % pattern.length) * 1000) / refresh);
    }
    return pattern.length === 1 ? (frame * 1000 * itemAt(pattern, 0)) / refresh : itemAt(times, frame);
  };
}
