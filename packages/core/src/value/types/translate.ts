import { ANY_CONTEXT, components, toLength } from '../components.ts';
import { translation } from '../matrix.ts';
import { decimal, sum } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';

const form: Form = {
  write(n, i) {
    const z = n[i + 2]! === 0 ? '' : ` ${decimal(n[i + 2]!)}px`;
    return `${decimal(n[i]!)}px ${decimal(n[i + 1]!)}px${z}`;
  },
  matrix: (n, i) => translation(n[i]!, n[i + 1]!, n[i + 2]!),
};

function read(css: string, c: ValueContext): number[] | null {
  const nodes = components(css);
  if (!nodes || nodes.length < 1 || nodes.length > 3) return null;
  if (nodes.length === 1 && nodes[0]!.type === 'Identifier')
    return nodes[0]!.name === 'none' ? [0, 0, 0] : null;
  const sides = [c.box.width, c.box.height, NaN];
  const out = nodes.map((n, i) => toLength(n, sides[i]!, c));
  if (out.some((n) => n === null || Number.isNaN(n))) return null;
  return [out[0]!, out[1] ?? 0, out[2] ?? 0];
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
