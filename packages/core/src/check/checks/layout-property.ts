import { itemAt, lastItem, present } from '../../assert/index.ts';
import { findCostClass } from '../../budget/index.ts';
import type { Instance, Motion, CompiledTimeline } from '../../motion/index.ts';
import type { CheckDefinition, Fix } from '../finding.ts';

export const layoutProperty: CheckDefinition = {
  id: 'layout-property',
  name: 'Layout property animated',
  group: 'budget',
  why: 'Every frame lays out the page again, and everything after it moves too: expensive on long pages, and text jumps.',
  checkMotion(instance, { timeline }) {
    const { motion, placed } = instance;
    const expensive = Object.keys(motion.keyframes).filter((p) => findCostClass(p) === 'layout');
    if (expensive.length === 0) return null;
    return {
      severity: 'error',
      at: Math.max(0, placed.start),
      brief: `animates ${expensive.join(' and ')}`,
      sentence: `It animates ${expensive.join(' and ')}: every frame lays out ${sectionWords(timeline, instance)} again. A transform looks the same and costs a fraction.`,
      fix: asTransform(instance, timeline),
    };
  },
};

const sectionWords = (timeline: CompiledTimeline, { element }: Instance): string => {
  const { section } = itemAt(timeline.layout.elements, element);
  const n = timeline.layout.elements.filter((e) => e.section === section).length;
  return `${n} ${n === 1 ? 'box' : 'boxes'}`;
};

const PX = /^(-?[\d.]+)px$/;
const MOVES: Record<string, (v: number) => [number, number]> = {
  left: (v) => [v, 0],
  'margin-left': (v) => [v, 0],
  right: (v) => [-v, 0],
  top: (v) => [0, v],
  'margin-top': (v) => [0, v],
  bottom: (v) => [0, -v],
};
const SIZES: Record<string, 'width' | 'height'> = { width: 'width', height: 'height' };

/** The transform that shows the same, as seen against how the element is laid out; null where there is none. */
function asTransform({ motion, element }: Instance, timeline: CompiledTimeline): Fix | null {
  const expensive = Object.keys(motion.keyframes).filter((p) => findCostClass(p) === 'layout');
  if (expensive.length !== 1) return null;
  const [property] = expensive as [string];
  const list = present(motion.keyframes[property]);
  const numbers = list.map((k) => Number(PX.exec(k.value)?.[1] ?? NaN));
  if (numbers.some(Number.isNaN)) return null;
  const { [property]: _, ...rest } = motion.keyframes;
  const size = SIZES[property];
  const as = size ? 'scale' : 'translate';
  if (rest[as] || (!size && !MOVES[property])) return null;
  const { box, selector } = itemAt(timeline.layout.elements, element);
  const value = (n: number): string => {
    if (size === 'width') return `${round(n / Math.max(1, box.width))} 1`;
    if (size === 'height') return `1 ${round(n / Math.max(1, box.height))}`;
    const [x, y] = present(MOVES[property])(n - own(numbers));
    return `${round(x)}px ${round(y)}px`;
  };
  const moved: Motion = {
    ...motion,
    keyframes: { ...rest, [as]: list.map((k, i) => ({ ...k, value: value(itemAt(numbers, i)) })) },
  };
  return {
    label: `Write it as ${as}`,
    motions: [moved],
    ...(size
      ? { adjust: [{ selector, declarations: { 'transform-origin': '0 0' }, for: [motion.id] }] }
      : {}),
  };
}

/** What the property is without the motion: not measured, so where it ends, or 0 where a keyframe says so. */
const own = (numbers: readonly number[]): number => (numbers.includes(0) ? 0 : lastItem(numbers));
const round = (n: number) => Number(n.toFixed(4));
