import { useMemo } from 'react';
import { fillBuckets, splitStretches } from '@lyvek/core';
import type { TrialFrames } from '@lyvek/core';
import { bucketSize } from './bands.ts';
import { toRow } from './view.ts';
import type { View } from './view.ts';

/** Left of the ruler, as high as the page can be scrolled: calm, near the budget, or over it. */
export function CostBand({
  frames,
  max,
  view,
  budget,
}: {
  frames: TrialFrames;
  max: number;
  view: View;
  budget: number;
}) {
  const size = bucketSize(view);
  const bands = useMemo(
    () => splitStretches(fillBuckets(frames, max, size), budget),
    [frames, max, size, budget],
  );
  return (
    <g>
      {bands.map((b) => (
        <rect
          key={b.from}
          x={b.band === 'over' ? 87 : 89}
          width={b.band === 'over' ? 8 : 6}
          y={toRow(b.from, view)}
          height={Math.max(b.band === 'calm' ? 0 : 2, (b.to - b.from) / view.per)}
          className={`band ${b.band}`}
        />
      ))}
    </g>
  );
}
