import { itemAt } from '../../assert/index.ts';
import { ANY_CONTEXT, components, toLength } from '../components.ts';
import { decimal, sum } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';

const any: Form = { write: (n, i) => `${decimal(itemAt(n, i))}px` };
/** Some properties refuse what is below zero, however the easing overshoots. */
const notNegative: Form = { write: (n, i) => `${decimal(Math.max(0, itemAt(n, i)))}px` };

function read(css: string, percent: number, context: ValueContext): number | null {
  const nodes = components(css);
  return nodes?.length === 1 ? toLength(itemAt(nodes, 0), percent, context) : null;
}

/** One length or percentage; `side` says which side of the border box percentages refer to. */
const typed = (name: string, side: 'width' | 'height', form: Form): ValueType => {
  const type: ValueType = {
    name,
    example: '24px',
    accepts: (css) => read(css, 100, ANY_CONTEXT) !== null,
    pair(from, to, context) {
      const a = read(from, context.box[side], context);
      const b = read(to, context.box[side], context);
      return a === null || b === null ? null : { from: [a], to: [b], form };
    },
    add: (under, over, context) => sum(type)(under, over, context),
  };
  return type;
};

export const length = typed('length', 'width', any);
export const lengthOfHeight = typed('length of the height', 'height', any);
export const size = typed('size', 'width', notNegative);
export const sizeOfHeight = typed('size of the height', 'height', notNegative);

const readDistance = (css: string, c: ValueContext) => {
  const n = read(css, NaN, c);
  return n === null || Number.isNaN(n) || n < 0 ? null : n;
};
/** `perspective`: a length of at least 0; `none` is accepted and flips. */
export const distance: ValueType = {
  name: 'distance',
  example: '900px',
  accepts: (css) => css.trim() === 'none' || readDistance(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const a = readDistance(from, context);
    const b = readDistance(to, context);
    return a === null || b === null ? null : { from: [a], to: [b], form: notNegative };
  },
};
