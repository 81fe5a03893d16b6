/** Dots at the scroll offsets of the gesture's frames; of crowded ones only some, and the foot says how many a dot stands for. */
import { useMemo } from 'react';
import { runGesture, itemAt } from '@lyvek/core';
import type { FrameClock, Gesture } from '@lyvek/core';
import { toRow } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';

export function useFrames(g: Gesture, max: number, clock: FrameClock): Float64Array {
  return useMemo(
    () => (max > 0 ? runGesture(g, 0, max, clock).offsets : new Float64Array()),
    [g, max, clock],
  );
}

/** Frames that one dot stands for, so that dots keep three rows apart on average. */
export const framesPerDot = (frames: number, max: number, view: View): number =>
  Math.max(1, 2 ** Math.ceil(Math.log2((3 * frames) / Math.max(1, max / view.per))));

export function Frames() {
  const { gesture, clock, view, rows, max } = useRundown();
  const frames = useFrames(gesture, max, clock);
  const per = framesPerDot(frames.length, max, view);
  let d = '';
  for (let i = 0; i < frames.length; i += per) {
    const y = toRow(itemAt(frames, i), view);
    if (y > -2 && y < rows + 2) d += `M139.5 ${y.toFixed(1)}h.01`;
  }
  return <path className="frame-dots" d={d} />;
}
