/** Moving range points of motions: by drag to an offset, by keys in steps. */
import {
  isMeeting,
  movePoint,
  parseMeeting,
  parsePhasePoint,
  percent,
  plainPercent,
  writeMeeting,
} from '@lyvek/core';
import type { Motion, Phase, RangePoint } from '@lyvek/core';
import type { Bar } from '../../../editor/model/bars.ts';

export type Side = 'start' | 'end';
export type Grip = Side | 'body';

/** The motion with one of its points at another offset. `exact` keeps px. `meeting` writes the element's point against a viewport line. */
export function withEndAt(
  bar: Bar,
  side: Side,
  offset: number,
  options: { exact?: boolean; meeting?: number | null } = {},
): Motion {
  const { motion, placed } = bar;
  const g = placed.geometry;
  const point: RangePoint =
    g && options.meeting != null
      ? writeMeeting({ edge: options.meeting, line: (g.top + options.meeting * g.size - offset) / g.port })
      : (pageEnd(offset, bar) ??
        movePoint(offset, {
          was: motion.range[side],
          side,
          geometry: g,
          whole: placed.whole,
          exact: options.exact ?? false,
        }));
  return untied({ ...motion, range: { ...motion.range, [side]: point } }, side);
}

/** An end that is put somewhere by hand hangs on nothing any more. */
export function untied(m: Motion, side: Side): Motion {
  if (!m.ties?.[side]) return m;
  const { ties, ...rest } = m;
  const other = side === 'start' ? 'end' : 'start';
  return ties[other] ? { ...rest, ties: { [other]: ties[other] } } : rest;
}

/** The page's own ends are written as such: a rounded percentage would miss them. */
function pageEnd(offset: number, { placed, max }: Bar): RangePoint | null {
  const { start, end } = placed.whole;
  if (!placed.geometry) return offset === start ? '0%' : offset === end ? '100%' : null;
  return offset === 0 ? 'scroll 0%' : offset === max ? 'scroll 100%' : null;
}

/** Both points by the same px. */
export function shifted(bar: Bar, px: number, exact = false): Motion {
  const { placed } = bar;
  const started = withEndAt(bar, 'start', placed.start + px, { exact });
  return withEndAt({ ...bar, motion: started }, 'end', placed.end + px, { exact });
}

/** One key press: 1 % of the phase, of the viewport for a meeting, of the page for a whole-page driver; 1 px on points in px. */
export function stepped(point: RangePoint, side: Side, steps: number): RangePoint {
  if (isMeeting(point)) {
    const m = parseMeeting(point);
    return m.ok ? writeMeeting({ edge: m.value.edge, line: m.value.line - steps / 100 }) : point;
  }
  const parsed = parsePhasePoint(point, side);
  if (!parsed.ok) return point;
  const name = parsed.value.phase ? `${parsed.value.phase} ` : '';
  const p = plainPercent(parsed.value.offset);
  if (p !== null) return `${name}${percent((p + steps) / 100)}`;
  const rest = point
    .trim()
    .slice(name ? name.trim().length : 0)
    .trim();
  return `${name}${addPx(rest, steps * (Math.abs(steps) >= 5 ? 2 : 1))}`;
}

/** `calc(10% + 20px)` and 3 → `calc(10% + 23px)`; other expressions get a px term. */
function addPx(css: string, px: number): string {
  const plain = /^(-?[\d.]+)px$/.exec(css);
  if (plain) return `${Number(plain[1]) + px}px`;
  const term = /^calc\((.+?) ([+-]) ([\d.]+)px\)$/.exec(css);
  if (term) {
    const n = (term[2] === '-' ? -1 : 1) * Number(term[3]) + px;
    return `calc(${term[1]} ${n < 0 ? '-' : '+'} ${Math.abs(n)}px)`;
  }
  return `calc(${css.replace(/^calc\((.*)\)$/, '($1)')} ${px < 0 ? '-' : '+'} ${Math.abs(px)}px)`;
}

export const nudged = (m: Motion, grip: Grip, steps: number): Motion => ({
  ...m,
  range: {
    start: grip === 'end' ? m.range.start : stepped(m.range.start, 'start', steps),
    end: grip === 'start' ? m.range.end : stepped(m.range.end, 'end', steps),
  },
});

/** The phase a point is written in. */
export function findPhase(point: RangePoint, side: Side): Phase | null {
  if (isMeeting(point)) return null;
  const parsed = parsePhasePoint(point, side);
  return parsed.ok ? parsed.value.phase : null;
}
