/** What stands under the page's end: how many frames a dot is, where the page ends, and what to do while nothing moves. */
import { toRow } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { framesPerDot, useFrames } from './Frames.tsx';
import { footText } from './text.ts';

export function Foot({ left, width }: { left: number; width: number }) {
  const { rows, max, view, gesture, clock, measured, document, layout } = useRundown();
  const own = layout.own?.length ?? 0;
  const frames = useFrames(gesture, max, clock);
  const per = framesPerDot(frames.length, max, view);
  const end = toRow(max, view);
  if (!measured) return null;
  return (
    <g className="foot">
      {end < rows - 40 && per > 1 && (
        <>
          <text x={134} y={rows - 22} textAnchor="end">
            {footText.aDotIs}
          </text>
          <text x={134} y={rows - 10} textAnchor="end">
            {footText.frames(per)}
          </text>
        </>
      )}
      {end < rows - 18 && max > 0 && (
        <text x={left + 10} y={rows - 8} className="note">
          {footText.thePageEndsAt(Math.round(max).toLocaleString('en'))}
        </text>
      )}
      {end < rows - 40 && own > 0 && (
        <text x={left + 10} y={rows - 24} className="note">
          {footText.dashedIs(own)}
        </text>
      )}
      {document.motions.length === 0 && document.pins.length === 0 && (
        <text x={(left + width) / 2} y={rows * 0.32} textAnchor="middle" className="empty">
          {footText.nothingMovesYetClick}
        </text>
      )}
    </g>
  );
}
