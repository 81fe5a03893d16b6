/** Marks of the chart of costs: a bar for each stretch of scroll, and the name of what makes one high. */
import { COST_PARTS } from '@lyvek/core';
import type { Bucket } from '@lyvek/core';
import { costsText } from './text.ts';

interface PeakProps {
  y: number;
  /** where its bar ends */
  end: number;
  width: number;
  name: string;
  /** ms */
  total: number;
  over: boolean;
}

export function PeakMark({ y, end, width, name, total, over }: PeakProps) {
  // Beside the bar where there is room, else below its end.
  const inside = end + 24 + 5.6 * (name.length + 8) > width;
  return (
    <g className="peak">
      <path d={`M${end + 2} ${y}h${inside ? 4 : 8}`} />
      <text
        x={inside ? width - 8 : end + 14}
        y={inside ? y + 16 : y + 4}
        textAnchor={inside ? 'end' : 'start'}
      >
        {name} <tspan className={over ? 'over' : ''}>{costsText.ms(total.toFixed(1))}</tspan>
      </text>
    </g>
  );
}

export function Bar({
  bucket,
  x,
  budget,
  per,
  row,
}: {
  bucket: Bucket;
  x(ms: number): number;
  budget: number;
  per: number;
  row: number;
}) {
  const height = Math.max(0.8, (bucket.to - bucket.from) / per - 1);
  let from = 0;
  return (
    <g>
      {COST_PARTS.map((p) => {
        const left = from;
        from += bucket.parts[p];
        const to = Math.min(from, budget);
        return to > left ? (
          <rect key={p} x={x(left)} width={x(to) - x(left)} y={row} height={height} className={`part-${p}`} />
        ) : null;
      })}
      {bucket.total > budget && (
        <rect
          x={x(budget)}
          width={x(bucket.total) - x(budget)}
          y={row}
          height={height}
          className="part-over"
        />
      )}
    </g>
  );
}
