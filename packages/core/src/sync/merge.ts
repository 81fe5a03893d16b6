/** Two documents that were made from one, brought together: what only one of them changed is taken from it. */
import { readDocument } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';

export type Merged = { document: MotionDocument } | { conflicts: string[] };

interface Named {
  id: string;
  name?: string;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Lists of things with ids: in the order of the first, what the other has added at the end. */
function mergeLists<T extends Named>(
  base: readonly T[],
  ours: readonly T[],
  theirs: readonly T[],
  conflicts: string[],
  prefer?: 'ours' | 'theirs',
): T[] {
  const find = (list: readonly T[], id: string) => list.find((x) => x.id === id);
  const ids = new Set([...ours, ...theirs, ...base].map((x) => x.id));
  const kept = new Map<string, T | undefined>();
  for (const id of ids) {
    const [b, o, t] = [find(base, id), find(ours, id), find(theirs, id)];
    if (same(t, b) || same(o, t)) kept.set(id, o);
    else if (same(o, b)) kept.set(id, t);
    else if (prefer) kept.set(id, prefer === 'ours' ? o : t);
    else conflicts.push((b ?? o ?? t)?.name ?? id);
  }
  return [...ids].flatMap((id) => kept.get(id) ?? []);
}

const LISTS = ['motions', 'pins', 'triggers', 'cues', 'adjustments', 'media'] as const;

/** `base` is what both were made from. Conflicts name what both changed, each in its own way; none where one side is preferred. */
export function mergeDocuments(
  base: MotionDocument,
  ours: MotionDocument,
  theirs: MotionDocument,
  prefer?: 'ours' | 'theirs',
): Merged {
  const conflicts: string[] = [];
  const merged = { ...ours };
  for (const list of LISTS)
    Object.assign(merged, {
      [list]: mergeLists<Named>(base[list], ours[list], theirs[list], conflicts, prefer),
    });
  if (same(ours.properties, base.properties)) merged.properties = theirs.properties;
  if (conflicts.length) return { conflicts };
  const parsed = readDocument(merged);
  return parsed.ok ? { document: parsed.document } : { conflicts: parsed.problems.map((p) => p.message) };
}
