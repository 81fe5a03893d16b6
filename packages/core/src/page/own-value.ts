import { BASE_PROPERTIES } from './base-properties.ts';
import { computedValue } from './computed-values.ts';
import type { Layout } from './layout.ts';

const INITIAL = new Map(BASE_PROPERTIES);

/** An element’s value without any motion; null where it has not been measured. */
export const ownValue = (layout: Layout, element: number, property: string): string | null =>
  layout.elements[element]?.base?.[property] ??
  INITIAL.get(property) ??
  computedValue(layout, element, property, '');
