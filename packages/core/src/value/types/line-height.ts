import { itemAt } from '../../assert/index.ts';
import { ANY_CONTEXT, components, toLength, toNumber } from '../components.ts';
import { decimal } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';

/** A factor of the font size, or px; percentages are of the font size (Inline 3, §4.2). */
function read(css: string, c: ValueContext): { unit: '' | 'px'; n: number } | null {
  const nodes = components(css);
  const node = nodes?.length === 1 ? itemAt(nodes, 0) : null;
  if (!node) return null;
  const factor = toNumber(node);
  if (factor !== null) return { unit: '', n: factor };
  const px = toLength(node, c.em, c);
  return px === null || !Number.isFinite(px) ? null : { unit: 'px', n: px };
}

/** Factors mix with factors and lengths with lengths; one with the other flips, and so does `normal`. */
export const lineHeight: ValueType = {
  name: 'line height',
  example: '1.5',
  accepts: (css) => css.trim() === 'normal' || read(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const [a, b] = [read(from, context), read(to, context)];
    if (!a || !b || a.unit !== b.unit) return null;
    const form: Form = { write: (n, i) => `${decimal(Math.max(0, itemAt(n, i)))}${a.unit}` };
    return { from: [a.n], to: [b.n], form };
  },
};
