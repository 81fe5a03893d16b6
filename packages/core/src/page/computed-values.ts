/** Values that the browser reads for core: what a keyframe holds, as each element computes it. */
import * as z from 'zod';
import { MAX_ELEMENTS } from './max-elements.ts';
import type { Layout } from './layout.ts';

export const ComputedSchema = z.strictObject({
  selector: z.string().max(2000),
  property: z.string().max(80),
  /** as it is written; empty for the element’s own value */
  value: z.string().max(2000),
  /** for each element in `matches`; null where the browser does not know it, or the element is not drawn */
  computed: z.array(z.string().max(2000).nullable()).max(MAX_ELEMENTS),
});

/** `value` of a property as every element of `selector` computes it; an empty one is the element’s own. */
export type AskedValue = Omit<z.infer<typeof ComputedSchema>, 'computed'>;

/** What a page is measured for. */
export interface MeasureRequest {
  selectors: string[];
  values: AskedValue[];
}

export const MEASURE_NOTHING: MeasureRequest = { selectors: [], values: [] };

type Computed = NonNullable<Layout['values']>;
const toKey = (property: string, value: string) => `${property}: ${value}`;
const indexes = new WeakMap<Computed, Map<number, Map<string, string>>>();

function findIndex(values: Computed, matches: Layout['matches']): Map<number, Map<string, string>> {
  const known = indexes.get(values);
  if (known) return known;
  const out = new Map<number, Map<string, string>>();
  for (const { selector, property, value, computed } of values)
    (matches[selector] ?? []).forEach((element, i) => {
      const text = computed[i];
      if (typeof text !== 'string') return;
      const own = out.get(element) ?? new Map<string, string>();
      out.set(element, own.set(toKey(property, value), text));
    });
  indexes.set(values, out);
  return out;
}

/** A value as an element computes it; null where the browser was not asked, or did not know it. */
export const computedValue = (
  { values, matches }: Pick<Layout, 'values' | 'matches'>,
  element: number,
  property: string,
  value: string,
): string | null =>
  values ? (findIndex(values, matches).get(element)?.get(toKey(property, value)) ?? null) : null;

/** Whether a page has been measured for all of it. */
export function isMeasuredFor(layout: Layout, { selectors, values }: MeasureRequest): boolean {
  const key = (v: AskedValue) => JSON.stringify([v.selector, v.property, v.value]);
  const asked = new Set((layout.values ?? []).map(key));
  return (
    selectors.every(
      (s) => layout.matches[s] !== undefined || layout.elements.some((e) => e.selector === s),
    ) && values.every((v) => asked.has(key(v)))
  );
}
