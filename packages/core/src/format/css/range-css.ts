/** A range as CSS: which view-timeline insets and which `animation-range` put progress 0 and 1 where the document says. */
import { itemAt } from '../../assert/index.ts';
import type { Geometry } from '../../page/index.ts';
import { parseLength, plainPercent } from '../../page/index.ts';
import {
  isMeeting,
  isTall,
  meetsEarly,
  parseMeeting,
  parsePhasePoint,
  percent,
  toMeeting,
} from '../../timeline/index.ts';
import type { ViewDriver } from '../../drivers/index.ts';
import type { Meeting, Range, RangePoint } from '../../timeline/index.ts';
import { decimal } from '../../value/index.ts';

export interface RangeCss {
  insets: [string, string];
  range: string;
  /** the form is only right where the scrollport is as high as the viewport */
  assumesViewport: boolean;
}

type Exact = { edge: number; line: number };

const hundredths = (fraction: number) => decimal(Number((fraction * 100).toFixed(4)));
const fine = (fraction: number) => percent(fraction, 4);
const isZero = (css: string) => {
  const parsed = parseLength(css);
  return parsed.ok && 'value' in parsed.value && parsed.value.value === 0;
};

/**
 * `geometries`: the subject at every measured viewport. Two meetings become insets and crossings, which is exact in any
 * scroller. A phase point beside a meeting is turned into its meeting where that holds at every measured size; otherwise the
 * meeting is written with viewport units, and the result says so. `keepInsets` asks for the latter: keyframes at range names would
 * move with the insets.
 */
export function rangeCss(
  range: Range,
  driver: ViewDriver,
  geometries: readonly Geometry[],
  keepInsets = false,
): RangeCss {
  const { start, end } = range;
  const plain: RangeCss = {
    insets: driver.insets,
    range: `${asText(start)} ${asText(end)}`,
    assumesViewport: false,
  };
  if (!isMeeting(start) && !isMeeting(end)) return plain;
  const a = exactMeeting(start, 'start', driver, geometries);
  const b = exactMeeting(end, 'end', driver, geometries);
  const startText = a ? `entry-crossing ${fine(a.edge)}` : pageEnd(start);
  const endText = b ? `exit-crossing ${fine(b.edge)}` : pageEnd(end);
  if (startText && endText && !keepInsets && !geometries.some((g) => g.sticky)) {
    const low = b ? b.line : 0;
    const high = a ? 1 - a.line : 0;
    // A page end hangs on no inset, so its side may make room for the other one.
    const insets = [b ? low : Math.min(0, 1 - high), a ? high : Math.min(0, 1 - low)] as const;
    if (!geometries.some((g) => leavesNothing(insets, g)))
      return {
        insets: [insets[0] === 0 ? '0px' : fine(insets[0]), insets[1] === 0 ? '0px' : fine(insets[1])],
        range: `${startText} ${endText}`,
        assumesViewport: false,
      };
  }
  const whole = driver.axis === 'block' ? 'vh' : 'vw';
  const late = (p: RangePoint) => geometries.some((g) => g.sticky && isMeeting(p) && !isEarly(p, g));
  const text = (p: RangePoint) => (isMeeting(p) ? viewportForm(p, whole, driver.insets, late(p)) : p);
  return { insets: driver.insets, range: `${text(start)} ${text(end)}`, assumesViewport: true };
}

/** Insets that overlap by more than the subject switch the timeline off; only ranges that run backwards need such. */
const leavesNothing = (insets: readonly [number, number], g: Geometry) =>
  (insets[0] + insets[1]) * g.port >= g.port + g.size;

const asText = (p: RangePoint): string => (isMeeting(p) ? '' : p);
/** `scroll 0%` and `scroll 100%` hang on no inset. */
const pageEnd = (p: RangePoint): string | null => (!isMeeting(p) && p.trim().startsWith('scroll') ? p : null);

function exactMeeting(
  point: RangePoint,
  side: 'start' | 'end',
  driver: ViewDriver,
  geometries: readonly Geometry[],
): Exact | null {
  if (isMeeting(point)) {
    const m = parseMeeting(point);
    return m.ok ? m.value : null;
  }
  const parsed = parsePhasePoint(point, side);
  if (!parsed.ok || parsed.value.phase === 'scroll' || plainPercent(parsed.value.offset) === null)
    return null;
  if (!driver.insets.every(isZero) || geometries.length === 0 || geometries.some((g) => g.sticky))
    return null;
  const dependsOnHeight = ['entry', 'exit', 'contain'].includes(parsed.value.phase ?? 'cover');
  if (dependsOnHeight && geometries.some((g) => isTall(g) !== isTall(itemAt(geometries, 0)))) return null;
  if (dependsOnHeight && isTall(itemAt(geometries, 0))) return null;
  const m = toMeeting(point, { ...itemAt(geometries, 0), insets: [0, 0] }, side);
  return m && m.edge >= 0 && m.edge <= 1 ? m : null;
}

function isEarly(point: Meeting, g: Geometry): boolean {
  const m = parseMeeting(point);
  return m.ok && meetsEarly(m.value.edge, m.value.line, g);
}

/**
 * `entry-crossing calc(e·100% + (1 − v)·100vh)`, less what an end inset has already moved. A sticky subject that meets the line
 * only after it has let go counts from its exit: `exit-crossing calc(e·100% − v·100vh)`.
 */
function viewportForm(
  point: Meeting,
  whole: string,
  insets: readonly [string, string],
  late: boolean,
): string {
  const m = parseMeeting(point);
  if (!m.ok) throw new SyntaxError(m.error);
  const { edge, line } = m.value;
  if (late)
    return `exit-crossing calc(${fine(edge)} - ${hundredths(line)}${whole}${moved(insets[0], '+', whole)})`;
  return `entry-crossing calc(${fine(edge)} + ${hundredths(1 - line)}${whole}${moved(insets[1], '-', whole)})`;
}

function moved(inset: string, sign: '+' | '-', whole: string): string {
  if (isZero(inset)) return '';
  const parsed = parseLength(inset);
  const share = parsed.ok ? plainPercent(parsed.value) : null;
  return ` ${sign} ${share === null ? inset : `${decimal(share)}${whole}`}`;
}
