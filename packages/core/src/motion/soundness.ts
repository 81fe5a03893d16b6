/** Whether an edit leaves a document that can be kept, found by what the edit has changed. */
import { itemAt } from '../assert/index.ts';
import type { z } from 'zod';
import { AdjustmentSchema } from './adjustment.ts';
import { MediaSchema } from './conditions.ts';
import { crossProblems } from './cross-problems.ts';
import { DocumentFields, MAX_ITEMS, MotionSchema, listProblems, readDocument } from './schema.ts';
import type { DocumentRead } from './schema.ts';
import type { MotionDocument } from './document.ts';
import { TriggerSchema } from './trigger.ts';
import { PinSchema } from './pin.ts';
import { CueSchema, withTies } from './tie.ts';

const SCHEMAS = {
  motions: MotionSchema,
  pins: PinSchema,
  triggers: TriggerSchema,
  cues: CueSchema,
  adjustments: AdjustmentSchema,
  media: MediaSchema,
} as const;
type ListName = keyof typeof SCHEMAS;
const LISTS = Object.entries(SCHEMAS) as [ListName, z.ZodType<{ id: string }>][];

/**
 * Why a document that was made from a sound one cannot be kept, in a sentence; null where it can. Looks only at what differs by identity,
 * so it costs little on a document of hundreds of motions.
 */
export function whyUnsound(before: MotionDocument, after: MotionDocument): string | null {
  for (const [list, schema] of LISTS) {
    if (before[list] === after[list]) continue;
    const known = new Set<object>(before[list]);
    for (const one of after[list] as { id: string; name?: string }[]) {
      if (known.has(one)) continue;
      const result = schema.safeParse(one);
      if (!result.success)
        return `${one.name ? `“${one.name}”: ` : ''}${itemAt(listProblems(result.error), 0).message}.`;
    }
  }
  const cross = crossProblems(after)[0];
  return cross ? `${cross.message}.` : null;
}

/** The items of a list, of which those that a sound document has are not looked at again; null where one of them cannot be read. */
function readItems(
  known: ReadonlySet<unknown>,
  list: readonly unknown[],
  schema: z.ZodType,
): unknown[] | null {
  const items = [];
  for (const one of list) {
    const result = known.has(one) ? null : schema.safeParse(one);
    if (result?.success === false) return null;
    items.push(result ? result.data : one);
  }
  return items;
}

/**
 * Reads what was made of a document that has been read, like `readDocument`, and looks only at what differs by identity. Where something is
 * wrong everything is read, so that each problem has its path.
 */
export function readNext(before: MotionDocument, after: unknown): DocumentRead {
  const given = after as Record<string, unknown> | null;
  const items: Partial<Record<ListName, unknown[]>> = {};
  for (const [name, schema] of LISTS) {
    const list = given?.[name];
    if (!Array.isArray(list) || list.length > MAX_ITEMS[name]) return readDocument(after);
    const read = list === before[name] ? list : readItems(new Set<unknown>(before[name]), list, schema);
    if (!read) return readDocument(after);
    items[name] = read;
  }
  const same = Object.keys(before).filter((key) => given?.[key] === before[key as keyof MotionDocument]);
  const known = Object.fromEntries(same.map((key) => [key, before[key as keyof MotionDocument]]));
  const lists = [...LISTS.map(([name]) => name), ...same.filter((key) => Array.isArray(known[key]))];
  const rest = DocumentFields.safeParse({ ...given, ...Object.fromEntries(lists.map((key) => [key, []])) });
  if (!rest.success) return readDocument(after);
  const document = { ...rest.data, ...known, ...items } as MotionDocument;
  return crossProblems(document).length > 0
    ? readDocument(after)
    : { ok: true, document: withTies(document) };
}
