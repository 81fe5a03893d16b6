import { itemAt } from '../../assert/index.ts';
import { components, toNumber } from '../components.ts';
import { decimal, sum } from '../value-type.ts';
import type { Form, ValueType } from '../value-type.ts';

const read = (css: string): number | null => {
  const nodes = components(css);
  return nodes?.length === 1 ? toNumber(itemAt(nodes, 0), 1) : null;
};

const typed = (name: string, example: string, form: Form): ValueType => {
  const type: ValueType = {
    name,
    example,
    accepts: (css) => read(css) !== null,
    pair(from, to) {
      const a = read(from);
      const b = read(to);
      return a === null || b === null ? null : { from: [a], to: [b], form };
    },
    add: (under, over, context) => sum(type)(under, over, context),
  };
  return type;
};

/** A plain number; a percentage counts as its fraction. */
export const number = typed('number', '0.5', { write: (n, i) => decimal(itemAt(n, i)) });

/** Opacity: a number that the browser clamps to 0…1 after mixing (CSS Color 4, §3.2). */
export const opacity = typed('opacity', '0.5', {
  write: (n, i) => decimal(Math.min(1, Math.max(0, itemAt(n, i)))),
});

/** Integers mix as numbers and round to the nearest, halves up (CSS Values 4, §3). */
export const integer = typed('integer', '2', { write: (n, i) => decimal(Math.floor(itemAt(n, i) + 0.5)) });
