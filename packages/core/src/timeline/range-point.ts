/** Range points: phase points in the standard's syntax, and meetings. */
import { parseLength, plainPercent, resolveLength } from '../page/index.ts';
import type { Geometry, LengthExpr, Parsed, Px } from '../page/index.ts';
import { PHASES, phaseSpans } from './phases.ts';
import type { Phase } from './phases.ts';

/** `edge`: 0–100 % of the element from its top. `line`: percent of the viewport from its top. Both as CSS percentages. */
export interface Meeting {
  edge: string;
  line: string;
}
export type RangePoint = string | Meeting;
export interface Range {
  start: RangePoint;
  end: RangePoint;
}

export interface PhasePoint {
  /** null: no name was written, so the whole timeline is meant */
  phase: Phase | null;
  offset: LengthExpr;
}

export const isMeeting = (p: RangePoint): p is Meeting => typeof p !== 'string';

/** Reads `entry 25%`, `contain`, `40%`, `exit calc(10% + 2vh)`. A name without offset means 0 % at a start, 100 % at an end. */
export function parsePhasePoint(css: string, side: 'start' | 'end'): Parsed<PhasePoint> {
  const text = css.trim();
  const whole = side === 'start' ? '0%' : '100%';
  const word = /^[a-z-]+(?![\w(-])/i.exec(text)?.[0].toLowerCase() ?? null;
  const phase = word === null || word === 'normal' ? null : (PHASES.find((p) => p === word) ?? undefined);
  if (phase === undefined)
    return { ok: false, error: `“${word}” is not a range: use one of ${PHASES.join(', ')}` };
  const rest = word === null ? text : text.slice(word.length).trim();
  const offset = parseLength(rest === '' ? whole : rest);
  if (!offset.ok) return offset;
  if (offset.value.kind === 'number' && offset.value.value !== 0)
    return { ok: false, error: `“${css}” needs a unit: % or px` };
  return { ok: true, value: { phase, offset: offset.value } };
}

const toPercent = (css: string): number | null => {
  const parsed = parseLength(css);
  return parsed.ok ? plainPercent(parsed.value) : null;
};

/** Fractions of a meeting, or the reason why it is none. The element's point stays within 0–100 %. */
export function parseMeeting(m: Meeting): Parsed<{ edge: number; line: number }> {
  const edge = toPercent(m.edge);
  const line = toPercent(m.line);
  if (edge === null || line === null) return { ok: false, error: 'a meeting takes percentages' };
  if (edge < 0 || edge > 100)
    return { ok: false, error: 'the element’s point lies within 0–100 % of its height' };
  return { ok: true, value: { edge: edge / 100, line: line / 100 } };
}

/**
 * Scroll offset at which a point holds. Percentages refer to the named range's own length, other units to the page.
 * @throws SyntaxError for a point that the document schema would have refused
 */
export function resolvePoint(point: RangePoint, g: Geometry, side: 'start' | 'end'): Px {
  if (isMeeting(point)) {
    const m = parseMeeting(point);
    if (!m.ok) throw new SyntaxError(m.error);
    return meetingOffset(m.value.edge, m.value.line, g);
  }
  const parsed = parsePhasePoint(point, side);
  if (!parsed.ok) throw new SyntaxError(parsed.error);
  return phaseOffset(parsed.value, g);
}

export function phaseOffset(point: PhasePoint, g: Geometry): Px {
  const span = phaseSpans(g)[point.phase ?? 'cover'];
  return (
    span.start +
    resolveLength(point.offset, {
      percent: span.end - span.start,
      viewport: g.viewport,
      em: g.em,
      rem: g.rem,
    })
  );
}

/**
 * `top + e·h − v·H`, where the box is drawn: a sticky one is carried on for its travel once it has stuck (top-sticky), or is ahead
 * by it until then (bottom-sticky). While it sticks, its points meet no line.
 */
export function meetingOffset(edge: number, line: number, g: Geometry): Px {
  const offset = g.top + edge * g.size - line * g.port;
  const s = g.sticky;
  if (!s) return offset;
  if (s.edge === 'start') return offset <= s.at ? offset : offset + s.travel;
  return offset <= s.at ? offset - s.travel : offset;
}

/** True where a meeting comes before the sticking (top-sticky) or while the box is ahead of its place (bottom-sticky). */
export const meetsEarly = (edge: number, line: number, g: Geometry): boolean =>
  g.sticky !== null && g.top + edge * g.size - line * g.port <= g.sticky.at;

/** True for a keyframe's place at a range name (`entry 25%`), as against a share of the motion's own range. */
export const isNamedPlace = (at: string): boolean => /^[a-z]/.test(at);
