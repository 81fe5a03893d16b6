/** Where the lines of a gate lie. */
import { geometryOf, matchesOf } from '../page/index.ts';
import type { Geometry, Layout, Px } from '../page/index.ts';
import type { Unplaced } from './placed.ts';
import { resolvePoint } from './range-point.ts';
import type { RangePoint } from './range-point.ts';

/** A gate’s lines, as scroll offsets. */
export interface GateLines {
  scroller: number;
  geometry: Geometry;
  down: Px;
  /** never below the line for the way down */
  up: Px;
}

/** Where a gate’s lines lie; says why where it has none. */
export function gateLines(
  gate: { subject: string; down: RangePoint; up: RangePoint | null },
  layout: Layout,
): GateLines | Unplaced {
  const subject = matchesOf(layout, gate.subject)[0];
  const e = subject === undefined ? undefined : layout.elements[subject];
  if (subject === undefined || !e) return { reason: `no element matches ${gate.subject}` };
  if (e.box.width === 0 && e.box.height === 0)
    return { reason: 'it has no box of its own (display: none or contents)' };
  const geometry = geometryOf(layout, subject, 'block');
  const down = resolvePoint(gate.down, geometry, 'start');
  const up = gate.up === null ? down : Math.min(down, resolvePoint(gate.up, geometry, 'start'));
  return { scroller: e.scroller, geometry, down, up };
}
