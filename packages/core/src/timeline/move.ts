/** Moving a range point to a scroll offset while keeping the notation in which it was written. */
import type { Geometry, Px } from '../page/index.ts';
import { plainPercent } from '../page/index.ts';
import { percent, toPhase, writeMeeting, writePhase } from './convert.ts';
import { phaseSpans } from './phases.ts';
import type { Span } from './phases.ts';
import { isMeeting, parseMeeting, parsePhasePoint } from './range-point.ts';
import type { RangePoint } from './range-point.ts';

export interface Move {
  /** the point as it was; its notation is kept */
  was: RangePoint;
  side: 'start' | 'end';
  /** null where the driver has no subject */
  geometry: Geometry | null;
  /** the driver’s extent, which shares refer to where there is no subject */
  whole: Span;
  /** keep px exactly as `calc()` instead of rounding to 0.1 % */
  exact?: boolean;
}

const px = (n: Px): string => `${Number(n.toFixed(2))}px`;

/**
 * The range point of the same kind at another offset: a phase point stays one (entry, contain and exit hand over to the
 * neighbour), a meeting keeps the element's point and moves its line, px stay px. Rounded to 0.1 %.
 */
export function movePoint(offset: Px, { was, side, geometry, whole, exact = false }: Move): RangePoint {
  if (!geometry) {
    const along = offset - whole.start;
    const length = whole.end - whole.start;
    return exact || isInPx(was, side) ? px(along) : percent(length === 0 ? 0 : along / length);
  }
  if (isMeeting(was)) {
    const m = parseMeeting(was);
    const edge = m.ok ? m.value.edge : 0;
    return writeMeeting({ edge, line: (geometry.top + edge * geometry.size - offset) / geometry.port });
  }
  const parsed = parsePhasePoint(was, side);
  const phase = parsed.ok ? (parsed.value.phase ?? 'cover') : 'cover';
  const at = toPhase(offset, geometry, phase === 'scroll' ? 'entry' : phase);
  if (!exact && !isInPx(was, side)) return writePhase(at);
  const origin = offset - phaseSpans(geometry)[at.phase].start;
  return `${at.phase} calc(0% ${origin < 0 ? '-' : '+'} ${px(Math.abs(origin))})`;
}

function isInPx(point: RangePoint, side: 'start' | 'end'): boolean {
  if (isMeeting(point)) return false;
  const parsed = parsePhasePoint(point, side);
  return parsed.ok && plainPercent(parsed.value.offset) === null;
}
