/**
 * Shadows (Backgrounds 3, §6.1): lists of unequal length are filled up with shadows of nothing, of the same kind as those that they
 * meet; where an inner one meets an outer one the whole flips.
 */
import { generate } from 'css-tree';
import { itemAt } from '../../assert/index.ts';
import { ANY_CONTEXT, components, toLength } from '../components.ts';
import { between, joined } from '../joined.ts';
import type { Piece } from '../joined.ts';
import { decimal } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';
import { color } from './color.ts';
import { splitAt } from './list.ts';

interface Shadow {
  inset: boolean;
  color: string;
  /** across, down, blur, spread; px */
  lengths: number[];
}

function readOne(css: string, count: number, c: ValueContext): Shadow | null {
  const out: Shadow = { inset: false, color: 'currentcolor', lengths: [] };
  for (const node of components(css) ?? []) {
    const length = toLength(node, NaN, c);
    if (length !== null && Number.isFinite(length)) out.lengths.push(length);
    else if (node.type === 'Identifier' && node.name.toLowerCase() === 'inset') out.inset = true;
    else if (color.accepts(generate(node))) out.color = generate(node);
    else return null;
  }
  const given = out.lengths.length;
  if (given < 2 || given > count) return null;
  while (out.lengths.length < count) out.lengths.push(0);
  return out;
}

function read(css: string, count: number, c: ValueContext): Shadow[] | null {
  if (css.trim().toLowerCase() === 'none') return [];
  const all = splitAt(css, ',')?.map((part) => readOne(part, count, c));
  return all?.every((s) => s !== null) ? all : null;
}

const NOTHING = (inset: boolean, count: number): Shadow => ({
  inset,
  color: 'transparent',
  lengths: new Array<number>(count).fill(0),
});
const BLUR = 2;
const lengths = (inset: boolean, count: number): Form => ({
  write: (n, i) =>
    Array.from({ length: count }, (_, k) => {
      const px = itemAt(n, i + k);
      return `${decimal(k === BLUR ? Math.max(0, px) : px)}px`;
    }).join(' ') + (inset ? ' inset' : ''),
});

function pairOne(a: Shadow, b: Shadow, count: number, c: ValueContext): Piece[] | null {
  const tint = a.inset === b.inset ? color.pair(a.color, b.color, c) : null;
  return tint && [tint, ' ', { from: a.lengths, to: b.lengths, form: lengths(a.inset, count) }];
}

const join = (under: string, over: string): string =>
  under === 'none' ? over : over === 'none' ? under : `${under}, ${over}`;

const shadows = (name: string, count: 3 | 4, example: string): ValueType => ({
  ...{ name, add: join },
  accumulate(under, over, context) {
    const pair = shadows(name, count, example).pair(under, over, context);
    if (!pair) return over;
    return pair.form.write(
      pair.from.map((n, i) => n + itemAt(pair.to, i)),
      0,
    );
  },
  example,
  accepts: (css) => read(css, count, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const [a, b] = [read(from, count, context), read(to, count, context)];
    if (!a || !b || a.length + b.length === 0) return null;
    const pairs = Array.from({ length: Math.max(a.length, b.length) }, (_, i) => {
      const [x, y] = [a[i], b[i]];
      return pairOne(
        x ?? NOTHING(y?.inset ?? false, count),
        y ?? NOTHING(x?.inset ?? false, count),
        count,
        context,
      );
    });
    return pairs.every((p) => p !== null)
      ? joined(
          between(
            pairs.map((p) => joined(p)),
            ', ',
          ),
        )
      : null;
  },
});

export const boxShadow = shadows('box shadow', 4, '0 8px 24px rgb(0 0 0 / 30%)');
export const textShadow = shadows('text shadow', 3, '0 1px 4px rgb(0 0 0 / 40%)');
