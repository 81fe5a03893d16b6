/** How values of a motion go together with others of the same property. */
import type { Motion } from '@lyvek/core';

export const COMPOSITE: readonly { value: Motion['composite']; text: string; note: string }[] = [
  { value: 'replace', text: 'replaces other values', note: 'the last motion in effect wins' },
  { value: 'add', text: 'adds to other values', note: 'distances add up, scales multiply' },
  {
    value: 'accumulate',
    text: 'accumulates with other values',
    note: 'the same, and transforms, filters and shadows add up one by one',
  },
];
