/** Where the lines of a trigger lie. */
import { computeGeometry, findMatches } from '../page/index.ts';
import type { Geometry, Layout, Px } from '../page/index.ts';
import type { Unplaced } from './placed.ts';
import { resolvePoint } from './range-point.ts';
import type { RangePoint } from './range-point.ts';

/** A trigger’s lines, as scroll offsets. */
export interface TriggerLines {
  scroller: number;
  geometry: Geometry;
  down: Px;
  /** never below the line for the way down */
  up: Px;
  /** where it is left downwards, never above the line for the way down; Infinity where it is not */
  past: Px;
}

export interface TriggerPoints {
  subject: string;
  down: RangePoint;
  up: RangePoint | null;
  past?: RangePoint | null | undefined;
  insets?: readonly [string, string] | undefined;
  /** it waits for an event, and for no line */
  event?: string | undefined;
}

/** Where a trigger without lines is shown: where its subject stands in the middle of the viewport. */
const MIDDLE: RangePoint = { edge: '50%', line: '50%' };

/** Where a trigger’s lines lie, or where one that waits for an event is shown; says why where it has none. */
export function triggerLines(given: TriggerPoints, layout: Layout): TriggerLines | Unplaced {
  const trigger = given.event === undefined ? given : { ...given, down: MIDDLE, up: null, past: null };
  const subject = findMatches(layout, trigger.subject)[0];
  const e = subject === undefined ? undefined : layout.elements[subject];
  if (subject === undefined || !e) return { reason: `no element matches ${trigger.subject}` };
  if (e.box.width === 0 && e.box.height === 0)
    return { reason: 'it has no box of its own (display: none or contents)' };
  const geometry = computeGeometry(layout, subject, 'block', trigger.insets);
  const max = layout.scrollers[e.scroller]?.max.block ?? 0;
  const line = resolvePoint(trigger.down, geometry, 'start');
  const down = given.event === undefined ? line : Math.min(max, Math.max(0, line));
  const up = trigger.up === null ? down : Math.min(down, resolvePoint(trigger.up, geometry, 'start'));
  const past = trigger.past ? Math.max(down, resolvePoint(trigger.past, geometry, 'end')) : Infinity;
  return { scroller: e.scroller, geometry, down, up, past };
}
