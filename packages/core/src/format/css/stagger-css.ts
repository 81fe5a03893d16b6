/** Stagger as CSS: each target carries how many steps later it begins, and ranges or delays count with it. */
import { itemAt, present } from '../../assert/index.ts';
import { findMatches, parseLength, plainPercent } from '../../page/index.ts';
import type { PinnedLayout } from '../../page/index.ts';
import type { Motion } from '../../motion/index.ts';
import { listPlaces } from '../../motion/index.ts';
import { SIBLING_INDEX, isInPhases, staggerSteps, stepPx } from '../../timeline/index.ts';
import { decimal } from '../../value/index.ts';
import { writtenSelector } from '../selectors/marks.ts';
import { toPiece } from './piece.ts';
import type { Piece } from './piece.ts';
import { splitRange } from './split-range.ts';
import type { Counter } from './step-counters.ts';
import type { Tuned } from './tuned.ts';

/** How much one step is, where it is a number of its own. */
const byName = (name: string): string => `--${name}-by`;
export const stepSize = (motion: Motion, css: string, name: string): { step: string; tuned: Tuned[] } =>
  motion.tunable ? { step: `var(${byName(name)})`, tuned: [[byName(name), css]] } : { step: css, tuned: [] };

/** Rules that number the targets; equal numbers share one. Zero needs none, since `var()` falls back to it. */
export function staggerPieces(motion: Motion, { property }: Counter, layout: PinnedLayout): Piece[] {
  if (!motion.stagger || property === null) return [];
  const targets = findMatches(layout, motion.targets.selector);
  const bySteps = new Map<number, string[]>();
  const places = placesAmongSiblings(motion.targets.selector, targets, layout);
  staggerSteps(motion.stagger, targets, layout).forEach((steps, i) => {
    const selector =
      places === null ? itemAt(layout.elements, itemAt(targets, i)).selector : itemAt(places, i);
    const known = bySteps.get(steps) ?? [];
    if (steps !== 0 && !known.includes(selector)) bySteps.set(steps, [...known, selector]);
  });
  if (bySteps.size === 0) return [];
  return [
    toPiece({
      id: `steps:${motion.id}`,
      motions: [motion.id],
      styles: [...bySteps].map(([steps, selectors]) => ({
        selector: selectors.map((s) => (places === null ? writtenSelector(s, layout) : s)).join(',\n'),
        set: { [property]: String(steps) },
      })),
    }),
  ];
}

const PLACE = /:nth-of-type\((\d+)\)$/;

/**
 * The motion’s selector with the place of each target among its siblings, `.list > li:nth-of-type(2)`; null where the selector is no simple
 * one, or the targets are not known to be siblings.
 */
function placesAmongSiblings(
  selector: string,
  targets: readonly number[],
  layout: PinnedLayout,
): string[] | null {
  if (!/^[\w.#>~+ -]+$/.test(selector) || layout.marked?.includes(selector)) return null;
  const places = targets.map((t) => PLACE.exec(itemAt(layout.elements, t).selector)?.[1]);
  const parents = new Set(targets.map((t) => itemAt(layout.elements, t).parent));
  return parents.size === 1 && places.every((p) => p !== undefined)
    ? places.map((p) => `${selector}:nth-of-type(${p})`)
    : null;
}

/** The step as CSS. A percentage of the range is nothing that CSS can name: it is written as the px that it measures. */
export function stepCss(motion: Motion, layout: PinnedLayout): string {
  const { step } = present(motion.stagger);
  const parsed = parseLength(step);
  if (!parsed.ok || plainPercent(parsed.value) === null || isInPhases(present(motion.stagger))) return step;
  const first = listPlaces({ ...motion, stagger: undefined }, layout).find(
    (p) => 'start' in p.placed,
  )?.placed;
  const length = first && 'start' in first ? first.end - first.start : 0;
  return `${decimal(Number(stepPx(step, length, layout).toFixed(2)))}px`;
}

/** An offset, or a time, so many steps later as `steps` says. */
export function stepped(css: string, step: string, { css: steps }: Counter): string {
  const by = step.replace(/^calc\(/, '(');
  // One step more, from one place less, is shorter: `sibling-index() * 10px`.
  const less = steps.includes(SIBLING_INDEX) ? withoutStep(css, step) : null;
  if (less !== null) return stepped(less, step, { property: null, css: SIBLING_INDEX });
  const later = `${steps} * ${by}`;
  if (/^0(?:%|px|ms)$/.test(css)) return `calc(${later})`;
  const first = /^calc\((.*)\)$/s.exec(css)?.[1];
  // A sum needs no brackets in a sum.
  return `calc(${first !== undefined && /^[^()]* [-+] [^()]*$/.test(first) ? first : css.replace(/^calc\(/, '(')} + ${later})`;
}

/** What is left of an offset once a step is taken out of it; null where it does not end in one. */
function withoutStep(css: string, step: string): string | null {
  if (css === step) return `0${/[a-z%]+$/.exec(step)?.[0] ?? 'px'}`;
  const end = ` + ${step})`;
  return css.startsWith('calc(') && css.endsWith(end) ? css.slice('calc('.length, -end.length) : null;
}

/** A range whose two points are so many steps later. A percentage step refers to the range, `length` px long. */
export function steppedRange(range: string, step: string, counter: Counter): string {
  const points = splitRange(range);
  return points
    .map((p, i) => {
      const word = /^[a-z-]+(?![\w(-])/.exec(p)?.[0] ?? '';
      const offset = p.slice(word.length).trim() || (i === 0 ? '0%' : '100%');
      return `${word} ${stepped(offset, step, counter)}`.trim();
    })
    .join(' ');
}
