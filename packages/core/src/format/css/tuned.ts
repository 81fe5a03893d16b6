/** The numbers that people tune later, as custom properties at the top of a block: where it starts and ends, how far, how long, by how much later. */
import { itemAt } from '../../assert/index.ts';
import type { Keyframe } from '../../value/index.ts';
import { splitRange } from './split-range.ts';

/** A custom property and its value. */
export type Tuned = readonly [name: string, value: string];

/** A range as two custom properties. `even`: one that counts steps, too. */
export function tunedRange(range: string, name: string, even = false): { tuned: Tuned[]; range: string } {
  const [start, end] = splitRange(range);
  // A range that counts steps from element to element cannot be moved into a number of its own.
  if (start === undefined || end === undefined || (!even && range.includes('var(')))
    return { tuned: [], range };
  return {
    tuned: [
      [`--${name}-start`, start],
      [`--${name}-end`, end],
    ],
    range: `var(--${name}-start) var(--${name}-end)`,
  };
}

const LENGTH = /^-?\d*\.?\d+(?:px|r?em|[sld]?v[hwib]|vmin|vmax|cq[whib]|%)$/;
const isNothing = (word: string) => /^-?0(?:\.0+)?(?:px|%)?$/.test(word);

/** The one length that a translate moves by, where it has just one. */
export function computeDistance(property: string, keyframes: readonly Keyframe[]): string | null {
  if (property !== 'translate') return null;
  const lengths = new Set(
    keyframes.flatMap((s) => s.value.split(/\s+/)).filter((word) => LENGTH.test(word) && !isNothing(word)),
  );
  const odd = keyframes.some(
    (s) =>
      s.value !== '' &&
      s.value !== 'none' &&
      !s.value.split(/\s+/).every((w) => LENGTH.test(w) || isNothing(w)),
  );
  return !odd && lengths.size === 1 ? itemAt([...lengths], 0) : null;
}

export const withDistance = (value: string, distance: string, name: string): string =>
  value
    .split(/\s+/)
    .map((word) => (word === distance ? `var(${name})` : word))
    .join(' ');
