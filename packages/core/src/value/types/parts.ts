/**
 * Any value that mixes part by part (Web Animations 1, §5.2.2 “by computed value”): numbers with numbers, lengths and percentages with each
 * other, angles, times and colours with their like, and the same words and functions around them. Where two values are not made alike
 * nothing is said of them.
 */
import type * as csstree from 'css-tree';
import { generate } from 'css-tree';
import { itemAt } from '../../assert/index.ts';
import { ANY_CONTEXT, components, toAngle, toLinear, toNumber } from '../components.ts';
import { between, joined } from '../joined.ts';
import type { Piece } from '../joined.ts';
import { decimal } from '../value-type.ts';
import type { Form, Mixable, ValueContext, ValueType } from '../value-type.ts';
import { color } from './color.ts';
import { pairPaths } from './path.ts';
import { mixedText } from './position.ts';

type Node = csstree.CssNode;

const unit = (suffix: string, round = false): Form => ({
  write: (n, i) => `${decimal(round ? Math.floor(itemAt(n, i) + 0.5) : itemAt(n, i))}${suffix}`,
});
const mixed: Form = { write: (n, i) => mixedText(itemAt(n, i), itemAt(n, i + 1)) };
const single = (from: number, to: number, form: Form): Mixable => ({ from: [from], to: [to], form });

const SECONDS: Record<string, number> = { s: 1, ms: 0.001 };
const toSeconds = (node: Node): number | null =>
  node.type === 'Dimension' && node.unit.toLowerCase() in SECONDS
    ? Number(node.value) * (SECONDS[node.unit.toLowerCase()] ?? 1)
    : null;

/** Words that are colours to the colour type, and something else in most places. */
const isColor = (node: Node): boolean =>
  node.type === 'Hash' ||
  (node.type === 'Function' && /^(rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)$/i.test(node.name)) ||
  (node.type === 'Identifier' && !/^currentcolor$/i.test(node.name) && color.accepts(node.name));

const IMAGES = /gradient$|^(url|image|image-set|cross-fade|paint|element)$/i;

function pairNodes(a: Node, b: Node, c: ValueContext, whole: boolean): Piece | null {
  if (isColor(a) && isColor(b)) return color.pair(generate(a), generate(b), c);
  const [x, y] = [a, b].map((n) => toNumber(n)) as [number | null, number | null];
  if (x !== null && y !== null) return single(x, y, unit('', whole));
  const [s, t] = [toSeconds(a), toSeconds(b)];
  if (s !== null && t !== null) return single(s, t, unit('s'));
  if (a.type === 'Dimension' && b.type === 'Dimension') {
    const [u, v] = [toAngle(a), toAngle(b)];
    if (u !== null && v !== null) return single(u, v, unit('deg'));
    if (/^fr$/i.test(a.unit) && /^fr$/i.test(b.unit))
      return single(Number(a.value), Number(b.value), unit('fr'));
  }
  const [l, m] = [toLinear(a, c), toLinear(b, c)];
  if (l && m) return { from: [...l], to: [...m], form: mixed };
  return pairWords(a, b, c, whole);
}

/** The same word, or a function of the same name around parts that mix. */
function pairWords(a: Node, b: Node, c: ValueContext, whole: boolean): Piece | null {
  if (a.type !== b.type || a.type === 'Dimension' || a.type === 'Percentage' || a.type === 'Number')
    return null;
  if (a.type === 'Function' && b.type === 'Function') {
    if (a.name.toLowerCase() !== b.name.toLowerCase()) return null;
    // Pictures fade over into each other as a whole.
    if (IMAGES.test(a.name)) return generate(a) === generate(b) ? generate(a) : null;
    if (/^path$/i.test(a.name)) return pairPath(a, b);
    const inside = pairLists(a.children.toArray(), b.children.toArray(), c, whole);
    return inside && joined([`${a.name}(`, ...inside, ')']);
  }
  return generate(a) === generate(b) ? generate(a) : null;
}

function pairPath(a: csstree.FunctionNode, b: csstree.FunctionNode): Piece | null {
  const [x, y] = [a, b].map((f) => f.children.toArray().filter((n) => n.type !== 'WhiteSpace'));
  const [data, other] = [x?.at(-1), y?.at(-1)];
  if (data?.type !== 'String' || other?.type !== 'String' || x?.length !== 1 || y?.length !== 1) return null;
  const path = pairPaths(data.value, other.value);
  return path && joined([`${a.name}(`, path, ')']);
}

function pairLists(a: readonly Node[], b: readonly Node[], c: ValueContext, whole: boolean): Piece[] | null {
  if (a.length !== b.length) return null;
  const out: Piece[] = [];
  for (const [i, node] of a.entries()) {
    const piece = pairNodes(node, itemAt(b, i), c, whole);
    if (piece === null) return null;
    out.push(piece);
  }
  return between(out, ' ');
}

const typed = (name: string, whole: boolean): ValueType => ({
  name,
  example: '1',
  accepts: (css) => components(css) !== null,
  pair(from, to, context = ANY_CONTEXT) {
    const [a, b] = [components(from), components(to)];
    const isAlike = a && b && a.length > 0 && (!whole || (a.length === 1 && a[0]?.type === 'Number'));
    const pieces = isAlike ? pairLists(a, b, context, whole) : null;
    return pieces && pieces.some((p) => typeof p !== 'string') ? joined(pieces) : null;
  },
});

export const parts = typed('parts', false);
/** One whole number: it rounds to the nearest, halves up (CSS Values 4, §3). */
export const wholeParts = typed('whole parts', true);
