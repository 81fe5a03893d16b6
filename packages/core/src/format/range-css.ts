/** A range as CSS: which view-timeline insets and which `animation-range` put progress 0 and 1 where the document says. */
import type { Geometry } from '../page/index.ts';
import { parseLength, plainPercent } from '../page/index.ts';
import { isMeeting, isTall, parseMeeting, parsePhasePoint, percent, toMeeting } from '../timeline/index.ts';
import type { PassageDriver, Range, RangePoint } from '../timeline/index.ts';
import { decimal } from '../value/index.ts';

export interface RangeCss {
  insets: [string, string];
  range: string;
  /** the form is only right where the scrollport is as high as the viewport */
  assumesViewport: boolean;
}

type Exact = { edge: number; line: number };

const fine = (fraction: number) => percent(fraction, 4);
const isZero = (css: string) => {
  const parsed = parseLength(css);
  return parsed.ok && 'value' in parsed.value && parsed.value.value === 0;
};

/**
 * `geometries`: the subject at every measured viewport. Two meetings become insets and crossings, which is exact in any
 * scroller. A phase point beside a meeting is turned into its meeting where that holds at every measured size; otherwise the
 * meeting is written with viewport units, and the result says so.
 */
export function rangeCss(range: Range, driver: PassageDriver, geometries: readonly Geometry[]): RangeCss {
  const { start, end } = range;
  const plain: RangeCss = { insets: driver.insets, range: `${asText(start)} ${asText(end)}`, assumesViewport: false };
  if (!isMeeting(start) && !isMeeting(end)) return plain;
  const a = exactMeeting(start, 'start', driver, geometries);
  const b = exactMeeting(end, 'end', driver, geometries);
  const startText = a ? `entry-crossing ${fine(a.edge)}` : pageEnd(start);
  const endText = b ? `exit-crossing ${fine(b.edge)}` : pageEnd(end);
  if (startText && endText)
    return {
      insets: [b ? fine(b.line) : '0px', a ? fine(1 - a.line) : '0px'],
      range: `${startText} ${endText}`,
      assumesViewport: false,
    };
  const whole = driver.axis === 'block' ? '100vh' : '100vw';
  const text = (p: RangePoint) => (isMeeting(p) ? viewportForm(p, whole, driver.insets[1]) : p);
  return { insets: driver.insets, range: `${text(start)} ${text(end)}`, assumesViewport: true };
}

const asText = (p: RangePoint): string => (isMeeting(p) ? '' : p);
/** `scroll 0%` and `scroll 100%` hang on no inset. */
const pageEnd = (p: RangePoint): string | null => (!isMeeting(p) && p.trim().startsWith('scroll') ? p : null);

function exactMeeting(point: RangePoint, side: 'start' | 'end', driver: PassageDriver, geometries: readonly Geometry[]): Exact | null {
  if (isMeeting(point)) {
    const m = parseMeeting(point);
    return m.ok ? m.value : null;
  }
  const parsed = parsePhasePoint(point, side);
  if (!parsed.ok || parsed.value.phase === 'scroll' || plainPercent(parsed.value.offset) === null) return null;
  if (!driver.insets.every(isZero) || geometries.length === 0 || geometries.some((g) => g.sticky)) return null;
  const dependsOnHeight = ['entry', 'exit', 'contain'].includes(parsed.value.phase ?? 'cover');
  if (dependsOnHeight && geometries.some((g) => isTall(g) !== isTall(geometries[0]!))) return null;
  if (dependsOnHeight && isTall(geometries[0]!)) return null;
  const m = toMeeting(point, { ...geometries[0]!, insets: [0, 0] }, side);
  return m && m.edge >= 0 && m.edge <= 1 ? m : null;
}

/** `entry-crossing calc(e·100% + (1 − v)·100vh)`, less what an end inset has already moved. */
function viewportForm(point: { edge: string; line: string }, whole: string, endInset: string): string {
  const m = parseMeeting(point);
  if (!m.ok) throw new SyntaxError(m.error);
  const back = isZero(endInset) ? '' : ` - ${endInset}`;
  return `entry-crossing calc(${fine(m.value.edge)} + ${decimal(1 - m.value.line)} * ${whole}${back})`;
}
