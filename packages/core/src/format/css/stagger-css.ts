/** Stagger as CSS: each target carries how many steps later it begins, and ranges or delays count with it. */
import { itemAt, present } from '../../assert/index.ts';
import { findMatches, parseLength, plainPercent } from '../../page/index.ts';
import type { PinnedLayout } from '../../page/index.ts';
import type { Motion } from '../../motion/index.ts';
import { listPlaces } from '../../motion/index.ts';
import { staggerSteps, stepPx } from '../../timeline/index.ts';
import { decimal } from '../../value/index.ts';
import { writtenSelector } from '../selectors/marks.ts';
import type { Piece } from './piece.ts';
import { rule } from './rule.ts';
import { splitRange } from './split-range.ts';

export const stepName = (name: string): string => `--${name}-step`;
/** How much one step is. */
export const byName = (name: string): string => `--${name}-by`;

/** Rules that number the targets; equal numbers share one. Zero needs none, since `var()` falls back to it. */
export function staggerPieces(motion: Motion, name: string, layout: PinnedLayout): Piece[] {
  if (!motion.stagger) return [];
  const targets = findMatches(layout, motion.targets.selector);
  const bySteps = new Map<number, string[]>();
  staggerSteps(motion.stagger, targets, layout).forEach((steps, i) => {
    const { selector } = itemAt(layout.elements, itemAt(targets, i));
    if (steps !== 0) bySteps.set(steps, [...(bySteps.get(steps) ?? []), writtenSelector(selector, layout)]);
  });
  if (bySteps.size === 0) return [];
  return [
    {
      id: `steps:${motion.id}`,
      motions: [motion.id],
      rules: [...bySteps]
        .map(([steps, selectors]) => rule(selectors.join(',\n'), [`${stepName(name)}: ${steps};`]))
        .join('\n'),
      keyframes: '',
    },
  ];
}

/** The step as CSS. A percentage refers to the range, which CSS cannot name here: it is written as the px that it measures. */
export function stepCss(motion: Motion, layout: PinnedLayout): string {
  const { step } = present(motion.stagger);
  const parsed = parseLength(step);
  if (!parsed.ok || plainPercent(parsed.value) === null) return step;
  const first = listPlaces({ ...motion, stagger: undefined }, layout).find(
    (p) => 'start' in p.placed,
  )?.placed;
  const length = first && 'start' in first ? first.end - first.start : 0;
  return `${decimal(Number(stepPx(step, length, layout).toFixed(2)))}px`;
}

/** An offset, or a time, so many steps later. */
export const stepped = (css: string, step: string, name: string): string =>
  `calc(${css.replace(/^calc\((.*)\)$/s, '($1)')} + var(${stepName(name)}, 0) * ${step.replace(/^calc\(/, '(')})`;

/** A range whose two points are so many steps later. A percentage step refers to the range, `length` px long. */
export function steppedRange(range: string, step: string, name: string): string {
  const points = splitRange(range);
  return points
    .map((p, i) => {
      const word = /^[a-z-]+(?![\w(-])/.exec(p)?.[0] ?? '';
      const offset = p.slice(word.length).trim() || (i === 0 ? '0%' : '100%');
      return `${word} ${stepped(offset, step, name)}`.trim();
    })
    .join(' ');
}
