/** What two documents of one page say differently, thing by thing. */
import { present } from '../assert/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';

/** The lists of a document whose members have an id and, mostly, a name. */
export const COMPARED = ['pins', 'motions', 'triggers', 'cues', 'adjustments'] as const;
export type ComparedList = (typeof COMPARED)[number];
type Member = MotionDocument[ComparedList][number];

export interface Difference {
  list: ComparedList;
  id: string;
  /** as it is in `a` and in `b`; null where it is missing */
  a: Member | null;
  b: Member | null;
  /** top-level fields that differ, `keyframes.scale` for a property of a motion; empty where one is missing */
  fields: string[];
}

export interface Differences {
  differing: Difference[];
  /** members that are the same in both, motions only */
  same: number;
}

/** Ids go first; a member without its like by id may still have one that bears its name. */
function pairs<T extends { id: string; name?: string }>(
  a: readonly T[],
  b: readonly T[],
): [T | null, T | null][] {
  const free = new Set(b);
  const partner = new Map<T, T>();
  const pair = (like: (x: T, y: T) => boolean) => {
    for (const x of a) {
      if (partner.has(x)) continue;
      const y = [...free].find((o) => like(x, o));
      if (!y) continue;
      partner.set(x, y);
      free.delete(y);
    }
  };
  const byId = new Map(b.map((y) => [y.id, y]));
  for (const x of a) {
    const y = byId.get(x.id);
    if (!y) continue;
    partner.set(x, y);
    free.delete(y);
  }
  if (free.size > 0) pair((x, y) => x.name !== undefined && x.name === y.name);
  return [
    ...a.map((x): [T | null, T | null] => [x, partner.get(x) ?? null]),
    ...b.filter((y) => free.has(y)).map((y): [T | null, T | null] => [null, y]),
  ];
}

const same = (x: unknown, y: unknown): boolean => JSON.stringify(sorted(x)) === JSON.stringify(sorted(y));
/** Without what has no meaning: the order of fields, and fields without a value. */
function sorted(x: unknown): unknown {
  if (Array.isArray(x)) return x.map(sorted);
  if (typeof x !== 'object' || x === null) return x;
  return Object.fromEntries(
    Object.entries(x)
      .filter(([, v]) => v !== undefined)
      .sort(([k], [l]) => (k < l ? -1 : 1))
      .map(([k, v]) => [k, sorted(v)]),
  );
}

const IGNORED = new Set(['id', 'preset']);

function listFields(a: Member, b: Member): string[] {
  const names = new Set([...Object.keys(a), ...Object.keys(b)]);
  const out: string[] = [];
  for (const name of names) {
    if (IGNORED.has(name)) continue;
    const [x, y] = [a, b].map((m) => (m as Record<string, unknown>)[name]);
    if (same(x, y)) continue;
    if (name !== 'keyframes') out.push(name);
    else {
      const [k, l] = [x, y] as [Motion['keyframes'], Motion['keyframes']];
      for (const property of new Set([...Object.keys(k), ...Object.keys(l)]))
        if (!same(k[property], l[property])) out.push(`keyframes.${property}`);
    }
  }
  return out;
}

/** Pins first, since they move everything below them; then motions in the order of `b`, what only `a` has at the end. */
export function listDifferences(a: MotionDocument, b: MotionDocument): Differences {
  const differing: Difference[] = [];
  let alike = 0;
  for (const list of COMPARED)
    // Seen from `b`, so that its order counts.
    for (const [y, x] of pairs<Member>(b[list], a[list])) {
      const fields = x && y ? listFields(x, y) : [];
      if (x && y && fields.length === 0) {
        if (list === 'motions') alike++;
        continue;
      }
      differing.push({ list, id: present(y ?? x).id, a: x, b: y, fields });
    }
  return { differing, same: alike };
}
