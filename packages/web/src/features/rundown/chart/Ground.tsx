/** What lies under the lanes: paints, the ground that is lassoed on, lines of the ruler, and what is beyond the page's end. */
import type { PointerEvent } from 'react';
import { computeTicks, toRow } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { LANES } from './lanes.ts';

/** From faint to full, down along a bar. */
const Eased = ({ id, color }: { id: string; color: string }) => (
  <linearGradient id={id} x1="0" y1="0" x2="0" y2="1">
    <stop offset="0" stopColor={color} stopOpacity="0.08" />
    <stop offset="1" stopColor={color} stopOpacity="0.88" />
  </linearGradient>
);

export function Paints({ width, rows }: { width: number; rows: number }) {
  return (
    <defs>
      <Eased id="eased" color="var(--pass)" />
      <Eased id="eased-pin" color="var(--pin)" />
      <pattern id="beyond" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V6" stroke="var(--line)" />
      </pattern>
      <clipPath id="lanes-clip">
        <rect x={0} y={0} width={width - LANES} height={rows} />
      </clipPath>
    </defs>
  );
}

interface GroundProps {
  width: number;
  onPointerDown(e: PointerEvent<SVGRectElement>): void;
}

export function Ground({ width, onPointerDown }: GroundProps) {
  const { view, rows, max } = useRundown();
  const end = toRow(max, view);
  const ticks = computeTicks(view, rows, max).filter((t) => t.major);
  return (
    <>
      <rect
        className="lanes-ground"
        x={LANES}
        y={0}
        width={width - LANES}
        height={rows}
        onPointerDown={onPointerDown}
      />
      <path className="grid" d={ticks.map((t) => `M${LANES} ${toRow(t.offset, view)}H${width}`).join('')} />
      {end < rows && (
        <>
          <rect
            x={LANES}
            y={end}
            width={width - LANES}
            height={rows - end}
            fill="url(#beyond)"
            pointerEvents="none"
          />
          <path className="page-end" d={`M${LANES} ${end}H${width}`} />
        </>
      )}
      <path className="rules" d={`M88.5 0V${rows}M143.5 0V${rows}`} />
    </>
  );
}
