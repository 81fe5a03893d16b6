/** Scroll offsets, and the frames that the chosen gesture shows. */
import { memo } from 'react';
import { CostBand } from '../../../editor/strip/CostBand.tsx';
import { Ticks } from '../../../editor/strip/Ticks.tsx';
import { useRundown } from '../rundown-context.ts';
import { Frames } from './Frames.tsx';

export const Ruler = memo(function Ruler() {
  const { view, rows, max, frames, clock } = useRundown();
  return (
    <>
      <Ticks view={view} rows={rows} max={max} />
      {frames && <CostBand frames={frames} max={max} view={view} budget={1000 / clock.refresh} />}
      <g className="ruler">
        <Frames />
      </g>
    </>
  );
});
