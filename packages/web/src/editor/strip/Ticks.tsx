/** Scroll offsets along the vertical scale. */
import { toRow, shortGrouped, computeTicks } from './view.ts';
import type { View } from './view.ts';

export function Ticks({ view, rows, max }: { view: View; rows: number; max: number }) {
  const ticks = computeTicks(view, rows, max);
  const end = toRow(max, view);
  const showsEnd = end < rows + 20;
  const last = ticks.filter((t) => t.major).at(-1);
  return (
    <g className="ruler">
      <rect className="cost-track" x={89} y={toRow(0, view)} width={6} height={max / view.per} />
      {ticks.map((t) => {
        const y = toRow(t.offset, view);
        return (
          <g key={t.offset}>
            <path d={`M96 ${y}h${t.major ? 9 : 4}`} className={t.major ? 'tick-major' : 'tick-minor'} />
            {t.major && !(t === last && showsEnd && end - y < 14) && (
              <text x={134} y={y + 3.5} className={t.bold ? 'offset bold' : 'offset'}>
                {shortGrouped(t.offset)}
              </text>
            )}
          </g>
        );
      })}
      {showsEnd && (
        <text x={134} y={end + 3.5} className="offset bold">
          {shortGrouped(max)}
        </text>
      )}
    </g>
  );
}
