/** Stagger: the same motion on several elements, each a step later than the one before it in an order. */
import { present } from '../assert/index.ts';
import { computedValue, parseLength, resolveLength } from '../page/index.ts';
import type { Layout, Px } from '../page/index.ts';
import { shuffled } from './shuffled.ts';
import { isMeeting } from './range-point.ts';
import type { RangePoint } from './range-point.ts';

export const STAGGER_ORDERS = [
  'page',
  'reverse',
  'outward',
  'across',
  'random',
  'property',
  'siblings',
] as const;
export type StaggerOrder = (typeof STAGGER_ORDERS)[number];

export interface Stagger {
  /** of scrubbed motions a length, or a percentage of the range; of timed ones a time */
  step: string;
  order: StaggerOrder;
  /** of the random order: another seed is another order, the same one always the same */
  seed?: number | undefined;
  /** of the order by property: the custom property whose number says how many steps */
  property?: string | undefined;
  /** what a percentage refers to: the range’s length (where nothing is said), or the phase that each end is in */
  of?: 'range' | 'phase' | undefined;
}

/** What counts an element among its siblings, from 1 (CSS Values 5, §9). */
export const SIBLING_INDEX = 'sibling-index()';

/** How many steps later an element is, as CSS, where the page itself says it; null for orders that are counted here. */
export function pageSteps({ order, property = '' }: Pick<Stagger, 'order' | 'property'>): string | null {
  if (order === 'siblings') return `(${SIBLING_INDEX} - 1)`;
  return order === 'property' ? `var(${property}, 0)` : null;
}

/** How that number is asked for: `scale` takes any number, and none is none. */
export function askedNumber(stagger: Pick<Stagger, 'order' | 'property'>) {
  const css = pageSteps(stagger);
  return css === null ? null : ({ property: 'scale', value: css.replace(/^\(/, 'calc(') } as const);
}

/**
 * How many steps later each target begins, by its place in `targets` (page order). Outward counts from the middle, both neighbours alike;
 * across counts from left to right, those that begin equally far left alike. By property it is the number that each element has, among
 * siblings its place among all of them, targets or not, from 0.
 */
export function staggerSteps(
  stagger: Pick<Stagger, 'order' | 'seed' | 'property'>,
  targets: readonly number[],
  layout: Layout,
): number[] {
  const last = targets.length - 1;
  switch (stagger.order) {
    case 'page':
      return targets.map((_, i) => i);
    case 'reverse':
      return targets.map((_, i) => last - i);
    case 'outward':
      return targets.map((_, i) => Math.floor(Math.abs(i - last / 2)));
    case 'random':
      return shuffled(targets.length, stagger.seed ?? 1);
    case 'property':
    case 'siblings': {
      const { property, value } = present(askedNumber(stagger));
      // Before it is measured, none is later.
      return targets.map((t) => Number.parseFloat(computedValue(layout, t, property, value) ?? '0') || 0);
    }
    case 'across': {
      const lefts = targets.map((t) => Math.round(layout.elements[t]?.box.x ?? 0));
      const places = [...new Set(lefts)].sort((a, b) => a - b);
      return lefts.map((x) => places.indexOf(x));
    }
  }
}

/** px of one step; a percentage refers to the length of the range. */
export function stepPx(step: string, range: Px, layout: Layout): Px {
  const parsed = parseLength(step);
  return parsed.ok ? resolveLength(parsed.value, { percent: range, viewport: layout.viewport }) : 0;
}

/** Whether its step is a percentage of the phase that each end of the range is in. */
export const isInPhases = ({ step, of }: Pick<Stagger, 'step' | 'of'>): boolean =>
  of === 'phase' && step.endsWith('%');

/** A point of a range so many per cent of its phase later; a meeting has no phase, and stays. */
export function laterPoint(point: RangePoint, percent: number, side: 'start' | 'end'): RangePoint {
  if (isMeeting(point) || percent === 0) return point;
  const name = /^[a-z-]+(?![\w(-])/.exec(point)?.[0] ?? '';
  const offset = point.slice(name.length).trim() || (side === 'start' ? '0%' : '100%');
  return `${name} calc(${offset} + ${percent}%)`.trim();
}
