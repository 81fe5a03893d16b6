/** Ranges on drivers that have an extent and no element: shares of it, and lengths from its start. */
import { resolveLength } from '../page/index.ts';
import type { Axis, Layout, Px } from '../page/index.ts';
import { isMeeting, parsePhasePoint } from '../timeline/index.ts';
import type { Placed, Range, Span } from '../timeline/index.ts';

/**
 * Percentages refer to the driver's extent and lengths count from its start. Names of phases are ignored, as the browser does.
 * Throws a SyntaxError for a meeting, and for what is no point.
 */
function extentPoint(point: Range['start'], whole: Span, layout: Layout, side: 'start' | 'end'): Px {
  if (isMeeting(point)) throw new SyntaxError('this driver has no element that could meet a line');
  const parsed = parsePhasePoint(point, side);
  if (!parsed.ok) throw new SyntaxError(parsed.error);
  const percent = whole.end - whole.start;
  return whole.start + resolveLength(parsed.value.offset, { percent, viewport: layout.viewport });
}

export const onExtent = (
  scroller: number,
  axis: Axis,
  whole: Span,
  range: Range,
  layout: Layout,
): Placed => ({
  scroller,
  axis,
  geometry: null,
  whole,
  start: extentPoint(range.start, whole, layout, 'start'),
  end: extentPoint(range.end, whole, layout, 'end'),
});
