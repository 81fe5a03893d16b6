import { itemAt } from '../../assert/index.ts';
import { toAngle, components } from '../components.ts';
import { decimal } from '../value-type.ts';
import type { ValueType } from '../value-type.ts';

const read = (css: string): number | null => {
  const nodes = components(css);
  return nodes?.length === 1 ? toAngle(itemAt(nodes, 0)) : null;
};

export const angle: ValueType = {
  name: 'angle',
  example: '30deg',
  accepts: (css) => read(css) !== null,
  pair(from, to) {
    const a = read(from);
    const b = read(to);
    return a === null || b === null
      ? null
      : { from: [a], to: [b], form: { write: (n, i) => `${decimal(itemAt(n, i))}deg` } };
  },
};
