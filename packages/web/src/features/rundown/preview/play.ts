/** Glide: plays the page with a gesture, down to its end and up again. */
import { runGesture, itemAt, lastItem } from '@lyvek/core';
import type { Gesture } from '@lyvek/core';

/** Calls `to` with every frame's offset. Returns what stops it. */
export function play(
  gesture: Gesture,
  from: number,
  max: number,
  to: (offset: number) => void,
  done: () => void,
): () => void {
  // Twice the display's rate: the browser's own frames pick what they need.
  const down = runGesture(gesture, from, max, 120);
  const up = runGesture(gesture, max, 0, 120);
  let frame = 0;
  let began = -1;
  const length = lastItem(down.times);
  const pause = 350;
  const whole = length + pause + lastItem(up.times);
  const step = (now: number) => {
    if (began < 0) began = now;
    const t = now - began;
    if (t >= whole) {
      to(0);
      return done();
    }
    const run = t < length + pause ? down : up;
    const local = run === down ? Math.min(t, length) : t - length - pause;
    to(itemAt(run.offsets, Math.min(run.offsets.length - 1, Math.round((local / 1000) * 120))));
    frame = requestAnimationFrame(step);
  };
  frame = requestAnimationFrame(step);
  return () => cancelAnimationFrame(frame);
}
