import { itemAt } from '../../assert/index.ts';
import { ANY_CONTEXT, components, toLength, readKeyword } from '../components.ts';
import { translation } from '../matrix.ts';
import { decimal, sum } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';

const form: Form = {
  write(n, i) {
    const z = itemAt(n, i + 2) === 0 ? '' : ` ${decimal(itemAt(n, i + 2))}px`;
    return `${decimal(itemAt(n, i))}px ${decimal(itemAt(n, i + 1))}px${z}`;
  },
  matrix: (n, i) => translation(itemAt(n, i), itemAt(n, i + 1), itemAt(n, i + 2)),
};

function read(css: string, c: ValueContext): number[] | null {
  const nodes = components(css);
  if (!nodes || nodes.length < 1 || nodes.length > 3) return null;
  const keyword = readKeyword(nodes);
  if (keyword) return keyword === 'none' ? [0, 0, 0] : null;
  const sides = [c.box.width, c.box.height, NaN];
  const out = nodes.map((n, i) => toLength(n, itemAt(sides, i), c));
  if (out.some((n) => n === null || Number.isNaN(n))) return null;
  return [itemAt(out, 0), out[1] ?? 0, out[2] ?? 0];
}

/** `translate` (CSS Transforms 2, §3): px on three axes; percentages of the element's own border box. */
export const translate: ValueType = {
  name: 'translate',
  example: '0 24px',
  accepts: (css) => read(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const a = read(from, context);
    const b = read(to, context);
    return a && b ? { from: a, to: b, form } : null;
  },
  add: (under, over, context) => sum(translate)(under, over, context),
};
