/** Motions that differ from element to element by equal steps: one motion with a stagger. */
import { itemAt, present } from '../../assert/index.ts';
import type { Motion } from '../../motion/index.ts';
import { isMeeting } from '../../timeline/index.ts';
import type { RangePoint } from '../../timeline/index.ts';
import { decimal } from '../../value/index.ts';
import type { AnimationDraft } from '../animations/draft.ts';
import { linearTerms } from '../animations/lengths.ts';

export interface Shifted {
  draft: AnimationDraft;
  stagger: NonNullable<Motion['stagger']>;
}

/** By how much one draft comes later than another, as one unit; null where they differ in any other way. */
function shift(from: AnimationDraft, to: AnimationDraft): { by: number; unit: string } | null {
  const rest = ({ range: _, raw, time, driver, ...d }: AnimationDraft) =>
    JSON.stringify({
      ...d,
      driver: raw ? { ...driver, insets: raw.insets } : driver,
      time: time && { duration: time.duration },
    });
  if (rest(from) !== rest(to)) return null;
  if (from.time && to.time) return { by: to.time.delay - from.time.delay, unit: 'ms' };
  const [a, b] = [from.raw ?? from.range, to.raw ?? to.range];
  const start = between(a.start, b.start);
  const end = between(a.end, b.end);
  return start && end && start.unit === end.unit && Math.abs(start.by - end.by) < 1e-6 ? start : null;
}

function between(a: RangePoint, b: RangePoint): { by: number; unit: string } | null {
  if (isMeeting(a) || isMeeting(b)) return null;
  const [nameA, nameB] = [a, b].map((p) => /^[a-z-]+(?![\w(-])/.exec(p)?.[0] ?? '');
  if (nameA !== nameB) return null;
  const [ta, tb] = [a, b].map((p) => linearTerms(p.slice(present(nameA).length).trim()));
  if (!ta || !tb) return null;
  const units = [...new Set([...ta.keys(), ...tb.keys()])];
  const moved = units.filter((u) => Math.abs((tb.get(u) ?? 0) - (ta.get(u) ?? 0)) > 1e-9);
  if (moved.length > 1) return null;
  const unit = moved[0] ?? 'px';
  return { by: (tb.get(unit) ?? 0) - (ta.get(unit) ?? 0), unit };
}

/** `drafts`: one per target, in page order. Null where they are not equal steps in an order that a stagger has. */
export function staggered(drafts: readonly AnimationDraft[]): Shifted | null {
  if (drafts.length < 2) return null;
  const shifts = drafts.map((d) => shift(itemAt(drafts, 0), d));
  if (shifts.some((s) => s === null)) return null;
  const moved = shifts.filter((s) => Math.abs(present(s).by) > 1e-9);
  const unit = moved[0]?.unit;
  // A percentage of an animation range counts in its phase, one of a stagger in the range itself.
  if (unit === undefined || unit === '%' || moved.some((s) => present(s).unit !== unit)) return null;
  const least = Math.min(...shifts.map((s) => present(s).by));
  const above = shifts.map((s) => present(s).by - least);
  const step = Math.min(...above.filter((a) => a > 1e-9));
  const steps = above.map((a) => Math.round(a / step));
  if (above.some((a, i) => Math.abs(a - itemAt(steps, i) * step) > 1e-6)) return null;
  const last = drafts.length - 1;
  const orders = {
    page: (i: number) => i,
    reverse: (i: number) => last - i,
    outward: (i: number) => Math.floor(Math.abs(i - last / 2)),
  };
  const order = (Object.keys(orders) as (keyof typeof orders)[]).find((o) =>
    steps.every((s, i) => s === orders[o](i)),
  );
  if (!order) return null;
  return {
    draft: itemAt(drafts, steps.indexOf(0)),
    stagger: { step: `${decimal(Number(step.toFixed(4)))}${unit}`, order },
  };
}
