import { ANY_CONTEXT, components, lengthOf } from '../components.ts';
import { decimal } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';

const any: Form = { write: (n, i) => `${decimal(n[i]!)}px` };
/** Some properties refuse what is below zero, however the easing overshoots. */
const notNegative: Form = { write: (n, i) => `${decimal(Math.max(0, n[i]!))}px` };

function read(css: string, percent: number, context: ValueContext): number | null {
  const nodes = components(css);
  return nodes?.length === 1 ? lengthOf(nodes[0]!, percent, context) : null;
}

/** One length or percentage; `side` says which side of the border box percentages refer to. */
const typed = (name: string, side: 'width' | 'height', form: Form): ValueType => ({
  name,
  example: '24px',
  accepts: (css) => read(css, 100, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const a = read(from, context.box[side], context);
    const b = read(to, context.box[side], context);
    return a === null || b === null ? null : { from: [a], to: [b], form };
  },
});

export const length = typed('length', 'width', any);
export const lengthOfHeight = typed('length of the height', 'height', any);
export const size = typed('size', 'width', notNegative);
export const sizeOfHeight = typed('size of the height', 'height', notNegative);
