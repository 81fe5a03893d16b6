/** Scroll offsets, and the frames that the chosen gesture shows. */
import { memo } from 'react';
import { Ticks } from '../../../parts/strip/Ticks.tsx';
import { useRundown } from '../rundown-context.ts';
import { Frames } from './Frames.tsx';

export const Ruler = memo(function Ruler() {
  const { view, rows, max } = useRundown();
  return (
    <>
      <Ticks view={view} rows={rows} max={max} />
      <g className="ruler">
        <Frames />
      </g>
    </>
  );
});
