/** Measured trials as charts: how long frames took, and how trials of the same kind have gone over time. */
import type { Trial } from '@lyvek/api';
import { computeHistogram } from '@lyvek/core';
import type { Ms, TrialFrames } from '@lyvek/core';

/** Bars of the histogram: half a frame of a 60 Hz screen each, the last one open. */
export const STEP: Ms = 1000 / 120;
export const BINS = 12;

/** Share of frames, in percent, by the time since the frame before. */
export function intervalShares(frames: TrialFrames): number[] {
  // The first frame has none before it.
  const intervals = (frames.interval ?? []).slice(1);
  const counts = computeHistogram(
    // Timers play by half a millisecond: a frame belongs to the step that it is nearest to.
    intervals.map((ms) => ms + STEP / 2),
    STEP,
    BINS,
  );
  return counts.map((n) => (intervals.length ? (100 * n) / intervals.length : 0));
}

export const binNames: readonly string[] = Array.from({ length: BINS }, (_, k) =>
  k === BINS - 1 ? `${Math.round(k * STEP)} +` : String(Math.round(k * STEP)),
);

/** Finished trials under the same gesture, device and size as `like`, the oldest first. */
export function comparable(trials: readonly Trial[], like: Pick<Trial, 'kind' | 'setup'>): Trial[] {
  const key = ({ kind, setup: s }: Pick<Trial, 'kind' | 'setup'>) =>
    [
      ...[kind, s.gesture, s.trace?.name, s.device, s.engine, s.on, s.direction],
      ...[s.viewport.width, s.viewport.height],
    ].join();
  return trials
    .filter((t) => t.state === 'done' && t.summary !== null && key(t) === key(like))
    .sort((a, b) => (a.createdAt < b.createdAt ? -1 : 1));
}
