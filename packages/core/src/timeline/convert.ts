/** From one notation of a range point to the other, without moving the point. */
import type { Geometry, Px } from '../page/index.ts';
import { plainPercent } from '../page/index.ts';
import { isTall, phaseSpans } from './phases.ts';
import type { Phase } from './phases.ts';
import { isMeeting, parseMeeting, parsePhasePoint, phaseOffset } from './range-point.ts';
import type { Meeting, RangePoint } from './range-point.ts';

type Pair = [edge: number, line: number];

/**
 * Canonical pairs: at share `p` of a phase, which point of the element meets which line (fractions of the visible part).
 * Both columns put the meeting at the same scroll offset; which one reads well depends on whether the element fits.
 */
const PAIRS: Partial<Record<Phase, { short: (p: number) => Pair; tall: (p: number) => Pair }>> = {
  cover: { short: (p) => [p, 1 - p], tall: (p) => [p, 1 - p] },
  contain: { short: (p) => [1 - p, 1 - p], tall: (p) => [p, p] },
  entry: { short: (p) => [p, 1], tall: (p) => [0, 1 - p] },
  exit: { short: (p) => [p, 0], tall: (p) => [1, 1 - p] },
  'entry-crossing': { short: (p) => [p, 1], tall: (p) => [p, 1] },
  'exit-crossing': { short: (p) => [p, 0], tall: (p) => [p, 0] },
};

/** Percentages with at most `digits` decimals and no trailing zeros. */
export const percent = (fraction: number, digits = 1): string =>
  `${Number((fraction * 100).toFixed(digits)) + 0}%`;

export interface ExactMeeting {
  edge: number;
  line: number;
}

/**
 * The meeting that a phase point stands for, as fractions of element and whole viewport (insets taken in).
 * Null where the element's point would lie outside 0–100 %, or for `scroll` and offsets that are not plain percentages
 * and cannot be kept (they then solve for the line with the element's top).
 */
export function toMeeting(point: RangePoint, g: Geometry, side: 'start' | 'end'): ExactMeeting | null {
  if (isMeeting(point)) {
    const m = parseMeeting(point);
    return m.ok ? m.value : null;
  }
  const parsed = parsePhasePoint(point, side);
  if (!parsed.ok) return null;
  const p = plainPercent(parsed.value.offset);
  const pairs = PAIRS[parsed.value.phase ?? 'cover'];
  if (p !== null && pairs && !g.sticky) {
    const [edge, v] = pairs[isTall(g) ? 'tall' : 'short'](p / 100);
    const line = (g.insets[0] + v * (g.port - g.insets[0] - g.insets[1])) / g.port;
    if (edge >= 0 && edge <= 1) return { edge, line };
  }
  return meetingAt(phaseOffset(parsed.value, g), g);
}

/** The meeting at a scroll offset: the element's nearest of top, middle and bottom whose line lies on the screen, else its top. */
export function meetingAt(offset: Px, g: Geometry, edge?: number): ExactMeeting {
  const line = (e: number) => (g.top + e * g.size - offset) / g.port;
  if (edge !== undefined) return { edge, line: line(edge) };
  const seen = [0, 0.5, 1].find((e) => line(e) >= 0 && line(e) <= 1) ?? 0;
  return { edge: seen, line: line(seen) };
}

/** Writes a meeting with 0.1 % steps, as the document stores it. */
export const writeMeeting = (m: ExactMeeting): Meeting => ({ edge: percent(m.edge), line: percent(m.line) });

/** Phases that hand over to their neighbour when a point is dragged over their edge; the others stay what they are. */
const NEIGHBOURS: Phase[] = ['entry', 'contain', 'exit'];

/**
 * The phase point at a scroll offset. `keep` is the phase it had: cover and the crossings are kept, entry, contain and exit
 * hand over to the neighbour. Offsets outside every phase stay with the nearest one, below 0 % or above 100 %.
 */
export function toPhase(
  offset: Px,
  g: Geometry,
  keep: Phase | null = 'cover',
): { phase: Phase; share: number } {
  const spans = phaseSpans(g);
  const share = (phase: Phase) => {
    const { start, end } = spans[phase];
    return end === start ? 0 : (offset - start) / (end - start);
  };
  const phase = keep ?? 'cover';
  if (!NEIGHBOURS.includes(phase)) return { phase, share: share(phase) };
  const inside = (p: Phase) =>
    offset >= spans[p].start && offset <= spans[p].end && spans[p].end > spans[p].start;
  if (inside(phase)) return { phase, share: share(phase) };
  const at = NEIGHBOURS.find(inside) ?? (offset < spans.entry.start ? 'entry' : 'exit');
  return { phase: at, share: share(at) };
}

/** Writes a phase point with 0.1 % steps: `entry 12.5%`. */
export const writePhase = (p: { phase: Phase; share: number }): string => `${p.phase} ${percent(p.share)}`;
