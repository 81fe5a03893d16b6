import { itemAt } from '../../assert/index.ts';
import { ANY_CONTEXT, components, toLength, toNumber } from '../components.ts';
import { repeated } from '../joined.ts';
import { decimal } from '../value-type.ts';
import type { ValueContext, ValueType } from '../value-type.ts';

/** px, or numbers in the user units of the drawing, which are the same. */
function read(css: string, c: ValueContext): number[] | null {
  if (css.trim() === 'none') return null;
  const nodes = components(css)?.filter((n) => !(n.type === 'Operator' && n.value.trim() === ','));
  if (!nodes?.length) return null;
  const out = nodes.map((n) => toNumber(n) ?? toLength(n, NaN, c));
  return out.some((n) => n === null || Number.isNaN(n) || n < 0) ? null : (out as number[]);
}

/** `stroke-dasharray`: lists are repeated to a common length (SVG 2, §13.5.6); `none` is accepted and flips. */
export const dashes: ValueType = {
  name: 'dashes',
  example: '1 1',
  accepts: (css) => css.trim() === 'none' || read(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const a = read(from, context);
    const b = read(to, context);
    if (!a || !b) return null;
    const pairs = repeated(a, b);
    const size = pairs.length;
    return {
      from: pairs.map(([x]) => x),
      to: pairs.map(([, y]) => y),
      form: {
        write: (n, at) =>
          Array.from({ length: size }, (_, i) => `${decimal(Math.max(0, itemAt(n, at + i)))}px`).join(', '),
      },
    };
  },
};
