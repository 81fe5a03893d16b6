/** The dearest places of a trial, predicted or measured, in words. */
import { present } from '../assert/index.ts';
import type { FrameClock } from '../gesture/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { partsAt, summarize } from '../trial/index.ts';
import type { Charge, TrialFrames } from '../trial/index.ts';
import { pxText } from './finding.ts';
import type { Found } from './finding.ts';
import type { Limits } from './limits.ts';

/** Of hot places nearer to each other than this only the hottest is told, px. */
const APART = 600;
const MAX = 6;

export interface Tried {
  frames: TrialFrames;
  /** what each motion is predicted to add */
  charges: readonly Charge[];
  clock: FrameClock;
  document: MotionDocument;
  how: 'predicted to cost' | 'measured to cost';
}
type Told = Found & { about: string; element: number };

const findName = (document: MotionDocument, id: string | undefined) =>
  document.motions.find((m) => m.id === id)?.name;

export function findHotSpots({ frames, charges, clock, document, how }: Tried): Told[] {
  const budget = 1000 / clock.refresh;
  const hot = frames.y
    .map((y, i) => ({ y, cost: partsAt(frames, i) }))
    .filter((f) => f.cost > budget)
    .sort((a, b) => b.cost - a.cost);
  const told: typeof hot = [];
  for (const f of hot) if (told.length < MAX && told.every((o) => Math.abs(o.y - f.y) > APART)) told.push(f);
  return told.map(({ y, cost }) => {
    const here = charges.filter((c) => c.start < y && c.end > y).sort((a, b) => b.total - a.total);
    const mostExpensive = here[0];
    const name = findName(document, mostExpensive?.motion);
    const whose = name
      ? `; ${here.length > 1 ? `of ${here.length} motions “${name}” costs` : 'it costs'} most, ${present(mostExpensive).total.toFixed(1)} ms`
      : '';
    return {
      about: mostExpensive?.motion ?? '',
      element: mostExpensive?.element ?? -1,
      severity: 'error',
      at: y,
      brief: `costs ${cost.toFixed(0)} ms a frame`,
      sentence: `At ${pxText(y)} a frame is ${how} ${cost.toFixed(1)} ms of ${budget.toFixed(1)} ms${whose}.`,
      fix: null,
    };
  });
}

/** Null while enough frames are on time and nearly all leave some of it. */
export function listLateFrames(
  { frames, charges, clock, document, how }: Tried,
  limits: Limits,
): Told | null {
  const s = summarize(frames, clock.refresh);
  const share = `${(Math.floor(1000 * s.onTime) / 10).toFixed(1)} %`;
  const late = 100 * s.onTime < limits.onTime;
  if (!late && s.p95 <= (limits.p95 / 100) * s.budget) return null;
  const sum = new Map<string, number>();
  for (const { motion, total, start, end } of charges)
    sum.set(motion, (sum.get(motion) ?? 0) + total * Math.max(0, end - start));
  const [mostExpensive] = [...sum].sort((a, b) => b[1] - a[1]);
  const name = findName(document, mostExpensive?.[0]);
  const said = late
    ? `${share} of the frames ${how === 'measured to cost' ? 'were' : 'are predicted to be'} on time; your limit is ${limits.onTime} %`
    : `One frame in twenty is ${how} more than ${s.p95.toFixed(1)} of ${s.budget.toFixed(1)} ms; your limit is ${limits.p95} %`;
  return {
    about: '',
    element: -1,
    severity: 'warning',
    at: s.worstAt,
    brief: late ? `${share} on time` : 'little time left',
    sentence: `${said}.${name ? ` Along the whole page “${name}” is predicted to cost most.` : ''}`,
    fix: null,
  };
}
