/** Values that are several of one kind: layers with commas between them, sides, corners. */
import { generate } from 'css-tree';
import type * as csstree from 'css-tree';
import { itemAt } from '../../assert/index.ts';
import { components } from '../components.ts';
import { between, combined, joined, repeated } from '../joined.ts';
import type { Piece } from '../joined.ts';
import type { ValueContext, ValueType } from '../value-type.ts';

/** A value split at its commas, or at its slashes. */
export function splitAt(css: string, sign: ',' | '/'): string[] | null {
  const nodes = components(css);
  if (!nodes) return null;
  const out: csstree.CssNode[][] = [[]];
  for (const n of nodes)
    n.type === 'Operator' && n.value.trim() === sign ? out.push([]) : out.at(-1)?.push(n);
  return out.map((part) => part.map((n) => generate(n)).join(' '));
}

/** Layers: each list is repeated until both are over together. One layer that does not mix keeps all from mixing. */
export const layered = (type: ValueType): ValueType => ({
  ...type,
  accepts: (css) => splitAt(css, ',')?.every((part) => type.accepts(part)) ?? false,
  pair(from, to, context) {
    const [a, b] = [splitAt(from, ','), splitAt(to, ',')];
    if (!a || !b) return null;
    if (a.length === 1 && b.length === 1) return type.pair(from, to, context);
    const pieces = repeated(a, b).map(([x, y]) => type.pair(x, y, context));
    return pieces.every((p) => p !== null) ? joined(between(pieces, ', ')) : null;
  },
});

/** One to four values for the four sides, one or two for two (CSS Values 4; Box 4, §3). */
function spread(parts: readonly string[], count: 2 | 4): string[] | null {
  const [a, b = a, c = a, d = b] = parts;
  if (a === undefined || b === undefined || c === undefined || d === undefined || parts.length > count)
    return null;
  return count === 2 ? [a, b] : [a, b, c, d];
}
/** The same with as few values as it takes. */
function shortest(all: readonly string[]): string {
  const [a, b, c = a, d = b] = all;
  const few = d !== b ? [a, b, c, d] : c !== a ? [a, b, c] : b !== a ? [a, b] : [a];
  return few.join(' ');
}
const listParts = (css: string): string[] | null => components(css)?.map((n) => generate(n)) ?? null;

/** A side that does not mix flips for itself: sides are properties of their own. */
const flip = (from: string, to: string): Piece =>
  from === to ? from : { from: [0], to: [1], form: { write: (n, i) => (itemAt(n, i) < 0.5 ? from : to) } };

export const sides = (type: ValueType, count: 2 | 4): ValueType => ({
  name: `${count} sides`,
  example: type.example,
  accepts(css) {
    const all = spread(listParts(css) ?? [], count);
    return all?.every((part) => part === 'auto' || type.accepts(part)) ?? false;
  },
  pair(from, to, context) {
    const [a, b] = [from, to].map((css) => spread(listParts(css) ?? [], count));
    if (!a || !b) return null;
    const pieces = a.map((x, i) => type.pair(x, itemAt(b, i), context) ?? flip(x, itemAt(b, i)));
    return combined(pieces, shortest);
  },
});

/** Radii across, and down behind a slash; one that is not given is as the other (Backgrounds 3, §5.1). */
function readRadii(css: string): string[] | null {
  const [across = '', down = across] = splitAt(css, '/') ?? [];
  const both = [across, down].map((part) => spread(listParts(part) ?? [], 4));
  return both[0] && both[1] ? [...both[0], ...both[1]] : null;
}
const pairAll = (
  type: ValueType,
  [a, b]: readonly (readonly string[] | null)[],
  context: ValueContext,
): Piece[] | null => {
  const pieces = a && b && a.map((x, i) => type.pair(x, itemAt(b, i), context));
  return pieces?.every((p) => p !== null) ? pieces : null;
};
/** `border-radius`, of all corners. */
export const radii = (type: ValueType): ValueType => ({
  name: 'corner radii',
  example: '12px',
  accepts: (css) => readRadii(css)?.every((part) => type.accepts(part)) ?? false,
  pair(from, to, context) {
    const pieces = pairAll(type, [readRadii(from), readRadii(to)], context);
    const print = (all: string[]) =>
      [...new Set([shortest(all.slice(0, 4)), shortest(all.slice(4))])].join(' / ');
    return pieces && combined(pieces, print);
  },
});

/** One corner: across, and down where it is given. */
export const corner = (type: ValueType): ValueType => ({
  name: 'corner radius',
  example: '12px',
  accepts: (css) => spread(listParts(css) ?? [], 2)?.every((part) => type.accepts(part)) ?? false,
  pair(from, to, context) {
    const pieces = pairAll(
      type,
      [from, to].map((css) => spread(listParts(css) ?? [], 2)),
      context,
    );
    return pieces && combined(pieces, shortest);
  },
});
