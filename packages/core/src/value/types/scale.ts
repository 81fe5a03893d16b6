import { itemAt } from '../../assert/index.ts';
import { components, toNumber, readKeyword } from '../components.ts';
import { scaling } from '../matrix.ts';
import { decimal } from '../value-type.ts';
import type { Form, ValueType } from '../value-type.ts';

const form: Form = {
  write(n, i) {
    const [x, y, z] = [itemAt(n, i), itemAt(n, i + 1), itemAt(n, i + 2)].map(decimal) as [
      string,
      string,
      string,
    ];
    if (z !== '1') return `${x} ${y} ${z}`;
    return x === y ? x : `${x} ${y}`;
  },
  matrix: (n, i) => scaling(itemAt(n, i), itemAt(n, i + 1), itemAt(n, i + 2)),
};

function read(css: string): number[] | null {
  const nodes = components(css);
  if (!nodes || nodes.length < 1 || nodes.length > 3) return null;
  const keyword = readKeyword(nodes);
  if (keyword) return keyword === 'none' ? [1, 1, 1] : null;
  const out = nodes.map((n) => toNumber(n, 1));
  if (out.some((n) => n === null)) return null;
  return [itemAt(out, 0), out[1] ?? itemAt(out, 0), out[2] ?? 1];
}

/** `scale` (CSS Transforms 2, §3): one number is both axes; percentages count as fractions. */
export const scale: ValueType = {
  name: 'scale',
  example: '0.9',
  accepts: (css) => read(css) !== null,
  pair(from, to) {
    const a = read(from);
    const b = read(to);
    return a && b ? { from: a, to: b, form } : null;
  },
  /** scales add by multiplying */
  add(under, over) {
    const a = read(under);
    const b = read(over);
    return a && b
      ? form.write(
          a.map((n, i) => n * itemAt(b, i)),
          0,
        )
      : over;
  },
};
