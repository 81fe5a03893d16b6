import { itemAt } from '../../assert/index.ts';
import { ANY_CONTEXT, components, toLength, toLinear } from '../components.ts';
import { decimal, sum } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';
import { mixedText } from './position.ts';

interface Forms {
  px: Form;
  /** percent, then px: what a percentage refers to is known to the browser alone, since it may be a box that moves as well */
  mixed: Form;
}
const any: Forms = {
  px: { write: (n, i) => `${decimal(itemAt(n, i))}px` },
  mixed: { write: (n, i) => mixedText(itemAt(n, i), itemAt(n, i + 1)) },
};
/** Some properties refuse what is below zero, however the easing overshoots. */
const notNegative: Forms = {
  px: { write: (n, i) => `${decimal(Math.max(0, itemAt(n, i)))}px` },
  mixed: {
    write(n, i) {
      const text = mixedText(itemAt(n, i), itemAt(n, i + 1));
      return itemAt(n, i) < 0 || itemAt(n, i + 1) < 0 ? `max(0px, ${text})` : text;
    },
  },
};

const readOne = (css: string, context: ValueContext): [percent: number, px: number] | null => {
  const nodes = components(css);
  return nodes?.length === 1 ? toLinear(itemAt(nodes, 0), context) : null;
};

/** One length or percentage. */
const typed = (name: string, { px, mixed }: Forms): ValueType => {
  const type: ValueType = {
    name,
    example: '24px',
    accepts: (css) => readOne(css, ANY_CONTEXT) !== null,
    pair(from, to, context) {
      const [a, b] = [readOne(from, context), readOne(to, context)];
      if (!a || !b) return null;
      return a[0] === 0 && b[0] === 0
        ? { from: [a[1]], to: [b[1]], form: px }
        : { from: a, to: b, form: mixed };
    },
    add: (under, over, context) => sum(type)(under, over, context),
  };
  return type;
};

export const length = typed('length', any);
export const size = typed('size', notNegative);

function read(css: string, percent: number, context: ValueContext): number | null {
  const nodes = components(css);
  return nodes?.length === 1 ? toLength(itemAt(nodes, 0), percent, context) : null;
}
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
    return a === null || b === null ? null : { from: [a], to: [b], form: notNegative.px };
  },
};
