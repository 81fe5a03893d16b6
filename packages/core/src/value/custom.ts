/**
 * Custom properties. One whose stops all read as the same kind is registered with that syntax, so that it mixes and page CSS may
 * read it (CSS Properties and Values API 1, §2); any other flips at 50 %.
 */
import { itemAt } from '../assert/index.ts';
import { ANY_CONTEXT, components, toLength } from './components.ts';
import { sum, decimal } from './value-type.ts';
import type { ValueContext, ValueType } from './value-type.ts';
import { angle } from './types/angle.ts';
import { color } from './types/color.ts';
import { number } from './types/number.ts';
import { lengthPercentage } from './types/position.ts';

export const isCustomProperty = (name: string): boolean => /^--[\w-]+$/.test(name);

const onlyNode = (css: string) => {
  const nodes = components(css);
  return nodes?.length === 1 ? itemAt(nodes, 0) : null;
};
const readLength = (css: string, c: ValueContext) => {
  const node = onlyNode(css);
  const n = node && toLength(node, NaN, c);
  return n === null || Number.isNaN(n) ? null : n;
};
const readPercentage = (css: string) => {
  const node = onlyNode(css);
  return node?.type === 'Percentage' ? Number(node.value) : null;
};
const scalar = (
  name: string,
  example: string,
  unit: string,
  read: (css: string, c: ValueContext) => number | null,
): ValueType => {
  const type: ValueType = {
    name,
    example,
    accepts: (css) => read(css, ANY_CONTEXT) !== null,
    pair(from, to, c) {
      const a = read(from, c);
      const b = read(to, c);
      return a === null || b === null
        ? null
        : { from: [a], to: [b], form: { write: (n, i) => `${decimal(itemAt(n, i))}${unit}` } };
    },
    add: (under, over, c) => sum(type)(under, over, c),
  };
  return type;
};
const plainNumber: ValueType = {
  ...number,
  accepts: (css) => onlyNode(css)?.type !== 'Percentage' && number.accepts(css),
};

export interface CustomSyntax {
  syntax: string;
  initial: string;
  type: ValueType;
}

/** Tried in this order: a bare 0 is a number. */
const SYNTAXES: readonly CustomSyntax[] = [
  { syntax: '<number>', initial: '0', type: plainNumber },
  { syntax: '<length>', initial: '0px', type: scalar('length', '24px', 'px', readLength) },
  { syntax: '<percentage>', initial: '0%', type: scalar('percentage', '40%', '%', readPercentage) },
  { syntax: '<length-percentage>', initial: '0px', type: lengthPercentage },
  { syntax: '<angle>', initial: '0deg', type: angle },
  { syntax: '<color>', initial: 'transparent', type: color },
];

/** The syntax that all values of a custom property share, or null where it cannot be registered. */
export const customSyntax = (values: readonly string[]): CustomSyntax | null =>
  values.length === 0 ? null : (SYNTAXES.find((s) => values.every((v) => s.type.accepts(v))) ?? null);
