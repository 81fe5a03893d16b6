/** The table of figures: what both takes amount to, and which of them is better. */
import type { PinnedLayout, Px, TrialSummary } from '@lyvek/core';
import type { TrialAnswer } from '../../../state/workers/trial-work.ts';
import { grouped } from '../../../editor/strip/view.ts';

export interface Figures {
  layout: PinnedLayout;
  answer: TrialAnswer | null;
  summary: TrialSummary | null;
  /** of a trial measured in the lab under the same conditions */
  lab: TrialSummary | null;
  /** of CSS and script */
  bytes: number | null;
}

export interface FigureRow {
  name: string;
  a: string;
  b: string;
  difference: string;
  /** −1 … 1: how far `b` is from `a`, for the bar */
  share: number;
  verdict: 'better' | 'worse' | null;
}

type Wanted = 'less' | 'more' | null;
interface Definition {
  name: string;
  of(f: Figures): number | null | undefined;
  write(n: number): string;
  wanted: Wanted;
  /** smaller differences are none */
  least: number;
  /** the row is left out unless both sides have it */
  onlyBoth?: boolean;
}

const px = (n: number) => `${grouped(n)} px`;
const ms = (n: number) => `${n.toFixed(n < 20 ? 1 : 0)} ms`;
const count = (n: number) => grouped(n);
const held = (layout: PinnedLayout): Px =>
  layout.pinnedSpans.filter((h) => h.scroller === 0).reduce((sum, h) => sum + h.end - h.start, 0);
const most = (numbers: readonly number[]) => numbers.reduce((m, n) => Math.max(m, n), 0);

const DEFINITIONS: readonly Definition[] = [
  { name: 'Page length', of: (f) => f.layout.page.height, write: px, wanted: null, least: 1 },
  { name: 'Pinned', of: (f) => held(f.layout), write: px, wanted: null, least: 1 },
  {
    name: 'Frames on time',
    of: (f) => f.summary && 100 * f.summary.onTime,
    write: (n) => `${n.toFixed(1)} %`,
    wanted: 'more',
    least: 0.1,
  },
  { name: 'p95', of: (f) => f.summary?.p95, write: ms, wanted: 'less', least: 0.5 },
  { name: 'Worst frame', of: (f) => f.summary?.worst, write: ms, wanted: 'less', least: 0.5 },
  { name: 'p95, in the lab', of: (f) => f.lab?.p95, write: ms, wanted: 'less', least: 0.5, onlyBoth: true },
  {
    name: 'On time, in the lab',
    of: (f) => f.lab && 100 * f.lab.onTime,
    write: (n) => `${n.toFixed(1)} %`,
    wanted: 'more',
    least: 0.5,
    onlyBoth: true,
  },
  {
    name: 'Largest step',
    of: (f) => f.answer && most(f.answer.figures.map((x) => x.peakStep)),
    write: px,
    wanted: 'less',
    least: 1,
  },
  {
    name: 'Fewest frames',
    of: (f) => f.answer && fewest(f.answer.figures.map((x) => x.frames).filter((n) => n > 0)),
    write: count,
    wanted: 'more',
    least: 1,
  },
  {
    name: 'Settles',
    of: (f) => f.answer && most(f.answer.figures.map((x) => x.settle)),
    write: (n) => `${grouped(n)} ms`,
    wanted: 'less',
    least: 5,
  },
  { name: 'Findings', of: (f) => f.answer?.findings.length, write: count, wanted: 'less', least: 1 },
  {
    name: 'CSS and script',
    of: (f) => f.bytes,
    write: (n) => `${(n / 1000).toFixed(1)} kB`,
    wanted: null,
    least: 50,
  },
];
const fewest = (numbers: readonly number[]) =>
  numbers.length ? numbers.reduce((m, n) => Math.min(m, n)) : 0;

/** Rows for both sides; what one of them does not have is a dash. `unit` is that of the figure. */
export function figureRows(a: Figures, b: Figures): FigureRow[] {
  return DEFINITIONS.flatMap(({ name, of, write, wanted, least, onlyBoth }) => {
    const [x, y] = [of(a) ?? null, of(b) ?? null];
    if (onlyBoth && (x === null || y === null)) return [];
    const texts = { name, a: x === null ? '–' : write(x), b: y === null ? '–' : write(y) };
    if (x === null || y === null || Math.abs(y - x) < least)
      return [{ ...texts, difference: x === null || y === null ? '' : '=', share: 0, verdict: null }];
    const less = y < x;
    return [
      {
        ...texts,
        difference: `${less ? '−' : '+'}${write(Math.abs(y - x))}`,
        share: (y - x) / Math.max(Math.abs(x), Math.abs(y)),
        verdict: wanted === null ? null : (wanted === 'less') === less ? 'better' : 'worse',
      },
    ];
  });
}
