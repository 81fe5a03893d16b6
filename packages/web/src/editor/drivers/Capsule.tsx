/** The bar of a motion with a range: a capsule, eased from its start to its end, with a waist where it holds. */
import type { Hold } from '@lyvek/core';
import type { BarPlace, DriverBar } from './kind.ts';

const HALF = 6;
const THIN = 2;
const TAPER = 7;

/** Shoulders of 12 px, a waist of 4 px during the hold. */
function waistPath({ x, y0, y1 }: BarPlace, hold: Hold): string {
  const [a, b] = [y0 + (y1 - y0) * hold.from, y0 + (y1 - y0) * hold.to];
  const taper = Math.min(TAPER, (b - a) / 2);
  const round = Math.min(HALF, a - y0, y1 - b);
  return [
    `M${x - HALF} ${y0 + round}A${HALF} ${round} 0 0 1 ${x + HALF} ${y0 + round}`,
    `V${a}L${x + THIN} ${a + taper}V${b - taper}L${x + HALF} ${b}V${y1 - round}`,
    `A${HALF} ${round} 0 0 1 ${x - HALF} ${y1 - round}`,
    `V${b}L${x - THIN} ${b - taper}V${a + taper}L${x - HALF} ${a}Z`,
  ].join('');
}

interface CapsuleProps extends BarPlace {
  hold: Hold | null;
  /** px of its corners */
  round: number;
  fill: string;
}

export function Capsule({ hold, round, fill, ...place }: CapsuleProps) {
  const { x, y0, y1 } = place;
  if (hold) {
    const d = waistPath(place, hold);
    return (
      <>
        <path className="bar-ground" d={d} />
        <path className="bar-shape" d={d} fill={fill} />
      </>
    );
  }
  const box = { x: x - HALF, y: y0, width: 2 * HALF, height: y1 - y0, rx: round };
  return (
    <>
      <rect className="bar-ground" {...box} />
      <rect className="bar-shape" {...box} fill={fill} />
    </>
  );
}

/** Corners that make a capsule of it. */
export const ROUND = HALF;

/** What most kinds draw. */
export const capsuleBar = (round: number, fill: string): DriverBar => ({
  draw: (place, hold) => <Capsule {...place} hold={hold} round={round} fill={fill} />,
  label: 13,
  hasRange: true,
  holds: true,
});
