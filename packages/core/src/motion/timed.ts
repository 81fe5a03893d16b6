/** When timed parts play: delays resolved along the chains in which a part begins after another’s end. */
import { perObject, present } from '../assert/index.ts';
import { stageKey } from '../drivers/index.ts';
import type { Driver } from '../drivers/index.ts';
import type { Ms } from '../page/index.ts';
import type { Time } from './trigger.ts';

interface Part {
  id: string;
  driver: Driver;
  time?: Time | undefined;
  repeat?: { count: number } | undefined;
}

export interface Played {
  /** ms from the trigger’s passing, or from page load */
  start: Ms;
  end: Ms;
}

/** Start and end of every timed part. Chains that lead in a circle or nowhere count from the trigger itself. Computed once per list. */
export const computeTimes = perObject((motions: readonly Part[]): ReadonlyMap<string, Played> => {
  const byId = new Map(motions.map((m) => [m.id, m]));
  const out = new Map<string, Played>();
  const resolve = (m: Part, trail: readonly string[]): Played => {
    const known = out.get(m.id);
    if (known) return known;
    const time = present(m.time);
    const before = time.after === undefined ? undefined : byId.get(time.after);
    const waits =
      before?.time && stageKey(before.driver) === stageKey(m.driver) && !trail.includes(before.id);
    const from = waits ? resolve(before, [...trail, m.id]).end : 0;
    const start = from + Number.parseFloat(time.delay);
    const played = { start, end: start + Number.parseFloat(time.duration) * (m.repeat?.count ?? 1) };
    out.set(m.id, played);
    return played;
  };
  for (const m of motions) if (m.time && stageKey(m.driver) !== null) resolve(m, [m.id]);
  return out;
});

/** References of parts that cannot be followed, by the motion’s place in the list. */
export function timeProblems(motions: readonly Part[]): [index: number, message: string][] {
  if (!motions.some((m) => m.time?.after !== undefined)) return [];
  const byId = new Map(motions.map((m) => [m.id, m]));
  return motions.flatMap((m, i): [number, string][] => {
    if (m.time?.after === undefined || stageKey(m.driver) === null) return [];
    const seen = new Set([m.id]);
    for (let at: Part | undefined = m; at?.time?.after !== undefined;) {
      const next = byId.get(at.time.after);
      if (!next) return [[i, `no motion has the id ${at.time.after}`]];
      if (stageKey(next.driver) !== stageKey(m.driver))
        return [[i, 'a part can only follow one on the same trigger']];
      if (seen.has(next.id)) return [[i, 'these parts wait for each other in a circle']];
      seen.add(next.id);
      at = next;
    }
    return [];
  });
}
