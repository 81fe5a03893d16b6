import { itemAt } from '../../assert/index.ts';
import { generate } from 'css-tree';
import { ANY_CONTEXT, components, toLength, toLinear } from '../components.ts';
import { joined } from '../joined.ts';
import { decimal } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';
import type * as csstree from 'css-tree';

/** Percent and px, kept apart: percentages refer to something that only the browser knows, such as an image's size. */
type Mixed = [percent: number, px: number];

export const mixedText = (percent: number, px: number): string =>
  Math.abs(percent) < 5e-7
    ? `${decimal(px)}px`
    : Math.abs(px) < 5e-7
      ? `${decimal(percent)}%`
      : `calc(${decimal(percent)}% ${px < 0 ? '-' : '+'} ${decimal(Math.abs(px))}px)`;

const ACROSS: Record<string, Mixed> = { left: [0, 0], center: [50, 0], right: [100, 0] };
const DOWN: Record<string, Mixed> = { top: [0, 0], center: [50, 0], bottom: [100, 0] };

function side(node: csstree.CssNode, words: Record<string, Mixed>, c: ValueContext): Mixed | null {
  return node.type === 'Identifier' ? (words[node.name.toLowerCase()] ?? null) : toLinear(node, c);
}

/** One or two sides; `top` alone, and words in the other order, are the vertical one. */
function read(css: string, c: ValueContext): Mixed[] | null {
  let nodes = components(css);
  if (!nodes || nodes.length < 1 || nodes.length > 2) return null;
  const isDown = (n: csstree.CssNode | undefined) =>
    n?.type === 'Identifier' && /^(top|bottom)$/i.test(n.name);
  const isAcross = (n: csstree.CssNode | undefined) =>
    n?.type === 'Identifier' && /^(left|right)$/i.test(n.name);
  if (nodes.length === 1 && isDown(nodes[0])) {
    const y = side(itemAt(nodes, 0), DOWN, c);
    return y && [[50, 0], y];
  }
  if (isDown(nodes[0]) || isAcross(nodes[1])) nodes = nodes.toReversed();
  const x = side(itemAt(nodes, 0), ACROSS, c);
  const y = nodes[1] ? side(nodes[1], DOWN, c) : ([50, 0] as Mixed);
  return x && y && [x, y];
}

const pairForm: Form = {
  write: (n, i) =>
    `${mixedText(itemAt(n, i), itemAt(n, i + 1))} ${mixedText(itemAt(n, i + 2), itemAt(n, i + 3))}`,
};

/** Two lengths or percentages with words for the sides: `background-position`, `object-position`, origins. */
export const position: ValueType = {
  name: 'position',
  example: '50% 0%',
  accepts: (css) => read(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const a = read(from, context);
    const b = read(to, context);
    return a && b ? { from: a.flat(), to: b.flat(), form: pairForm } : null;
  },
};

/** The third part of an origin is a length. */
function readOrigin(css: string, c: ValueContext): { place: string; depth: number } | null {
  const nodes = components(css) ?? [];
  const third = nodes.length === 3 ? toLength(itemAt(nodes, 2), NaN, c) : 0;
  if (third === null || !Number.isFinite(third)) return null;
  return {
    place: nodes
      .slice(0, 2)
      .map((n) => generate(n))
      .join(' '),
    depth: third,
  };
}
/** `transform-origin`: a position, and how deep it lies. */
export const origin: ValueType = {
  ...position,
  name: 'origin',
  accepts: (css) => position.accepts(readOrigin(css, ANY_CONTEXT)?.place ?? ''),
  pair(from, to, context) {
    const [a, b] = [readOrigin(from, context), readOrigin(to, context)];
    const place = a && b && position.pair(a.place, b.place, context);
    if (!place || (a.depth === 0 && b.depth === 0)) return place;
    const depth: Form = { write: (n, i) => `${decimal(itemAt(n, i))}px` };
    return joined([place, ' ', { from: [a.depth], to: [b.depth], form: depth }]);
  },
};

function readSize(css: string, c: ValueContext): Mixed[] | null {
  const nodes = components(css);
  if (!nodes || nodes.length !== 2) return null;
  const sides = nodes.map((n) => toLinear(n, c));
  return sides.every((s) => s !== null) ? (sides as Mixed[]) : null;
}

/** `background-size` and `mask-size`: two sides. `auto`, `cover` and `contain` are accepted and flip. */
export const backgroundSize: ValueType = {
  name: 'background size',
  example: '120% 120%',
  accepts: (css) => /^(auto|cover|contain)$/.test(css.trim()) || readSize(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const a = readSize(from, context);
    const b = readSize(to, context);
    return a && b ? { from: a.flat(), to: b.flat(), form: pairForm } : null;
  },
};

const single: Form = { write: (n, i) => mixedText(itemAt(n, i), itemAt(n, i + 1)) };
const readOne = (css: string, c: ValueContext) => {
  const nodes = components(css);
  return nodes?.length === 1 ? toLinear(itemAt(nodes, 0), c) : null;
};

/** A radius: what is below nothing counts as nothing, and with percentages only the browser knows what is. */
const radiusForm: Form = {
  write: (n, i) =>
    Math.abs(itemAt(n, i)) < 5e-7 ? `${decimal(Math.max(0, itemAt(n, i + 1)))}px` : single.write(n, i),
};
export const radius: ValueType = {
  name: 'radius',
  example: '12px',
  accepts: (css) => readOne(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const [a, b] = [readOne(from, context), readOne(to, context)];
    return a && b ? { from: a, to: b, form: radiusForm } : null;
  },
};

/** One length or percentage whose percentages only the browser can resolve. */
export const lengthPercentage: ValueType = {
  name: 'length or percentage',
  example: '40%',
  accepts: (css) => readOne(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const a = readOne(from, context);
    const b = readOne(to, context);
    return a && b ? { from: a, to: b, form: single } : null;
  },
};
