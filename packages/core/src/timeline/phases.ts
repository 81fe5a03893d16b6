/** The named ranges of a view progress timeline (Scroll-driven Animations 1, §3.1), as scroll offsets. */
import type { Geometry, Px } from '../page/index.ts';

export const PHASES = [
  'cover',
  'contain',
  'entry',
  'exit',
  'entry-crossing',
  'exit-crossing',
  'scroll',
] as const;
export type Phase = (typeof PHASES)[number];
export interface Span {
  start: Px;
  end: Px;
}

/**
 * Where an edge of the subject crosses a line, with the subject carried by a sticky ancestor or by itself.
 * Measured in the browser for both sticky edges: the browser decides by the edges of the scrollport and adds insets afterwards.
 */
function carried(offset: Px, g: Geometry, side: 'entry' | 'exit'): Px {
  const s = g.sticky;
  if (!s || s.travel <= 0) return offset;
  const before = side === 'entry' ? offset <= s.at : offset < s.at;
  if (s.edge === 'start') return before ? offset : offset + s.travel;
  return before ? offset - s.travel : offset;
}

/** Scroll offsets at 0 % and 100 % of every named range. Not clamped to what can be scrolled. */
export function phaseSpans(g: Geometry): Record<Phase, Span> {
  const [i0, i1] = g.insets;
  const enterStart = carried(g.top - g.port, g, 'entry') + i1;
  const enterEnd = carried(g.top + g.size - g.port, g, 'entry') + i1;
  const exitStart = carried(g.top, g, 'exit') - i0;
  const exitEnd = carried(g.top + g.size, g, 'exit') - i0;
  const containStart = Math.min(exitStart, enterEnd);
  const containEnd = Math.max(exitStart, enterEnd);
  return {
    cover: { start: enterStart, end: exitEnd },
    contain: { start: containStart, end: containEnd },
    entry: { start: enterStart, end: containStart },
    exit: { start: containEnd, end: exitEnd },
    'entry-crossing': { start: enterStart, end: enterEnd },
    'exit-crossing': { start: exitStart, end: exitEnd },
    scroll: { start: 0, end: g.max },
  };
}

/** True where the subject does not fit into what the insets leave of the scrollport. */
export const isTall = (g: Geometry): boolean => g.size > g.port - g.insets[0] - g.insets[1];
