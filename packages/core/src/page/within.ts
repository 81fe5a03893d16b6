import { itemAt } from '../assert/index.ts';
import type { Layout } from './layout.ts';

/** Whether an element is another one, or inside of it, as far as measured elements tell. */
export function isWithin(layout: Pick<Layout, 'elements'>, element: number, outer: number): boolean {
  for (let i = element; i >= 0; i = itemAt(layout.elements, i).parent) if (i === outer) return true;
  return false;
}
