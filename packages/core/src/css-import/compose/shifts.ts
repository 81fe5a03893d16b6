/** Motions that differ from element to element by equal steps: one motion with a stagger. */
import { itemAt, present } from '../../assert/index.ts';
import type { Motion } from '../../motion/index.ts';
import { SIBLING_INDEX, isMeeting } from '../../timeline/index.ts';
import type { RangePoint } from '../../timeline/index.ts';
import { decimal } from '../../value/index.ts';
import type { AnimationDraft } from '../animations/draft.ts';
import { linearTerms, simpler } from '../animations/lengths.ts';

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

/** Drafts of all targets, in page order, with the numbers that each of them counts with. */
export interface Counted {
  draft: AnimationDraft;
  counters: Readonly<Record<string, number>>;
}

/** Null where they are not equal steps in an order that a stagger has. */
export function staggered(all: readonly Counted[]): Shifted | null {
  if (all.length < 2) return null;
  const drafts = all.map((one) => one.draft);
  const shifts = drafts.map((d) => shift(itemAt(drafts, 0), d));
  if (shifts.some((s) => s === null)) return null;
  const moved = shifts.filter((s) => Math.abs(present(s).by) > 1e-9);
  const unit = moved[0]?.unit;
  if (unit === undefined || moved.some((s) => present(s).unit !== unit)) return null;
  const by = shifts.map((s) => present(s).by);
  const found = byProperty(all, by, unit) ?? inOrder(drafts, by, unit);
  if (!found || unit !== '%') return found;
  // A percentage counts in the phase that each end is in; a meeting is in none.
  const { start, end } = found.draft.range;
  return isMeeting(start) || isMeeting(end) ? null : { ...found, stagger: { ...found.stagger, of: 'phase' } };
}

const toStep = (step: number, unit: string): string => `${decimal(Number(step.toFixed(4)))}${unit}`;

/** Each is as many steps later as the number in one of its custom properties, or its place among its siblings, says. */
function byProperty(all: readonly Counted[], by: readonly number[], unit: string): Shifted | null {
  for (const property of Object.keys(itemAt(all, 0).counters)) {
    const numbers = all.map((one) => one.counters[property] ?? NaN);
    const other = numbers.findIndex((n) => n !== numbers[0]);
    if (other < 0 || numbers.some(Number.isNaN)) continue;
    const [first, second] = [itemAt(numbers, 0), itemAt(numbers, other)];
    const step = (itemAt(by, other) - itemAt(by, 0)) / (second - first);
    if (numbers.some((n, i) => Math.abs((n - first) * step - (itemAt(by, i) - itemAt(by, 0))) > 1e-6))
      continue;
    const zero = numbers.indexOf(0);
    const draft = zero >= 0 ? itemAt(all, zero).draft : shifted(itemAt(all, 0).draft, -first * step, unit);
    if (!draft) continue;
    const order =
      property === SIBLING_INDEX
        ? ({ order: 'siblings' } as const)
        : ({ order: 'property', property } as const);
    return { draft, stagger: { step: toStep(step, unit), ...order } };
  }
  return null;
}

/** The draft so much later; null where it cannot be said. */
function shifted(draft: AnimationDraft, by: number, unit: string): AnimationDraft | null {
  if (draft.time) {
    const delay = draft.time.delay + by;
    return delay < 0 ? null : { ...draft, time: { ...draft.time, delay } };
  }
  const { start, end } = draft.range;
  if (isMeeting(start) || isMeeting(end)) return null;
  const move = (point: string): string => {
    const name = /^[a-z-]+(?![\w(-])/.exec(point)?.[0] ?? '';
    return `${name} ${simpler(`calc(${point.slice(name.length).trim()} + ${decimal(by)}${unit})`)}`.trim();
  };
  return { ...draft, range: { start: move(start), end: move(end) } };
}

function inOrder(drafts: readonly AnimationDraft[], by: readonly number[], unit: string): Shifted | null {
  const least = Math.min(...by);
  const above = by.map((b) => b - least);
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
  return order
    ? { draft: itemAt(drafts, steps.indexOf(0)), stagger: { step: toStep(step, unit), order } }
    : null;
}
