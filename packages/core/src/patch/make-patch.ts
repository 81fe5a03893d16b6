/** The patch from one document to the next. */
import jsonPatch from 'fast-json-patch';
import type { DocumentPatch } from './apply-patch.ts';

type Json = DocumentPatch[number] extends infer Op ? (Op extends { value: infer V } ? V : never) : never;
type List = readonly unknown[];

/** As it is stored: fields without a value are not there. */
const toStored = (value: unknown): Json => JSON.parse(JSON.stringify(value)) as Json;

/** Differences of two values inside of a document, all of them below `path`. */
const differences = (path: string, before: unknown, after: unknown): DocumentPatch =>
  (
    jsonPatch.compare({ x: toStored(before) } as object, { x: toStored(after) } as object) as DocumentPatch
  ).map((op) => ({ ...op, path: path + op.path.slice('/x'.length) }));

const isSameThing = (a: unknown, b: unknown): boolean => {
  const id = (a as { id?: unknown } | null)?.id;
  return id !== undefined && id === (b as { id?: unknown } | null)?.id;
};

/** What tells the items of a list apart: ids, or the texts themselves; null where they have nothing of the kind, or have it twice. */
function toKeys(list: List): string[] | null {
  const keys = list.map((one) => (typeof one === 'string' ? one : (one as { id?: unknown } | null)?.id));
  return keys.every((k) => typeof k === 'string') && new Set(keys).size === keys.length
    ? (keys as string[])
    : null;
}

/** Removals, additions and moves, one item each, that bring `before` into the order of `after`; null where they would be too many. */
function reorder(path: string, before: readonly string[], after: List, wanted: readonly string[]) {
  const ops: DocumentPatch = [];
  const stays = new Set(wanted);
  for (let i = before.length - 1; i >= 0; i--)
    if (!stays.has(before[i]!)) ops.push({ op: 'remove', path: `${path}/${i}` });
  const removed = ops.length;
  const now = before.filter((k) => stays.has(k));
  const known = new Set(now);
  const place = new Map(wanted.map((k, i) => [k, i]));
  const move = (from: number, to: number) => {
    ops.push({ op: 'move', from: `${path}/${from}`, path: `${path}/${to}` });
    now.splice(to, 0, ...now.splice(from, 1));
  };
  for (const [i, key] of wanted.entries()) {
    // Hardly anything is left where it was: the whole list is said in fewer words.
    if (ops.length - removed > wanted.length / 2) return null;
    if (now[i] === key) continue;
    if (!known.has(key)) {
      ops.push({ op: 'add', path: `${path}/${i}`, value: toStored(after[i]) });
      now.splice(i, 0, key);
    } else if (now[i + 1] === key) {
      // The one that stands here has gone down.
      move(i, Math.min(place.get(now[i]!)!, now.length - 1));
      if (now[i] !== key) move(now.indexOf(key, i), i);
    } else move(now.indexOf(key, i), i);
  }
  return ops;
}

function listPatch(path: string, before: List, after: List): DocumentPatch {
  const changed = after.flatMap((one, i) => (one === before[i] ? [] : [i]));
  if (before.length === after.length && changed.every((i) => isSameThing(before[i], after[i])))
    return changed.flatMap((i) => differences(`${path}/${i}`, before[i], after[i]));
  const [had, wanted] = [toKeys(before), toKeys(after)];
  if (!had || !wanted) return differences(path, before, after);
  const ops = reorder(path, had, after, wanted);
  if (!ops) return [{ op: 'replace', path, value: toStored(after) }];
  const place = new Map(had.map((k, i) => [k, i]));
  for (const [i, key] of wanted.entries()) {
    const old = place.get(key);
    if (old !== undefined && before[old] !== after[i])
      ops.push(...differences(`${path}/${i}`, before[old], after[i]));
  }
  return ops;
}

/**
 * What makes `after` of `before`, as JSON Patch (RFC 6902). Lists whose items have ids are compared by these, so that one that is taken
 * out or moved is one step. What is the same object in both is not looked into. `applyDocumentPatch(before, makeDocumentPatch(before, after))` is `after`.
 */
export function makeDocumentPatch(before: object, after: object): DocumentPatch {
  const [a, b] = [before as Record<string, unknown>, after as Record<string, unknown>];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) => {
    if (a[key] === b[key]) return [];
    const path = `/${jsonPatch.escapePathComponent(key)}`;
    if (b[key] === undefined) return [{ op: 'remove' as const, path }];
    if (a[key] === undefined) return [{ op: 'add' as const, path, value: toStored(b[key]) }];
    return Array.isArray(a[key]) && Array.isArray(b[key])
      ? listPatch(path, a[key], b[key])
      : differences(path, a[key], b[key]);
  });
}
