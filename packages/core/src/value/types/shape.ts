import { itemAt, lastItem, present } from '../../assert/index.ts';
import { ANY_CONTEXT, components, toLinear } from '../components.ts';
import { parts } from './parts.ts';
import { mixedText } from './position.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';
import type * as csstree from 'css-tree';

/** A basic shape: its form (which parts it has) and its numbers, percent and px by turns. Radii that are words stay in the form. */
interface Shape {
  form: string;
  n: number[];
  write(n: number[]): string;
}

const isWord = (n: csstree.CssNode | undefined, ...of: string[]) =>
  n?.type === 'Identifier' && of.includes(n.name.toLowerCase());
const isOperator = (n: csstree.CssNode, sign: string) => n.type === 'Operator' && n.value.trim() === sign;
const texts = (n: number[]) =>
  Array.from({ length: n.length / 2 }, (_, i) => mixedText(itemAt(n, i * 2), itemAt(n, i * 2 + 1)));

function linears(nodes: readonly csstree.CssNode[], c: ValueContext): number[] | null {
  const out = nodes.map((n) => toLinear(n, c));
  return out.every((x) => x !== null) ? (out as number[][]).flat() : null;
}

/** One to four values for the four sides, as margins take them. */
function foursome(n: number[]): number[] {
  const at = (i: number) => n.slice(i * 2, i * 2 + 2);
  const count = n.length / 2;
  const [t, r, b, l] = [at(0), at(1), at(2), at(3)];
  if (count === 1) return [t, t, t, t].flat();
  if (count === 2) return [t, r, t, r].flat();
  return count === 3 ? [t, r, b, r].flat() : [t, r, b, l].flat();
}

function inset(args: csstree.CssNode[], c: ValueContext): Shape | null {
  const round = args.findIndex((n) => isWord(n, 'round'));
  const sides = linears(round < 0 ? args : args.slice(0, round), c);
  const radii = round < 0 ? [0, 0] : linears(args.slice(round + 1), c);
  if (!sides || !radii || sides.length === 0 || sides.length > 8 || radii.length > 8 || !radii.length)
    return null;
  return {
    form: 'inset',
    n: [...foursome(sides), ...foursome(radii)],
    write: (n) => {
      const t = texts(n);
      const rounded = t.slice(4).some((r) => r !== '0px');
      return `inset(${t.slice(0, 4).join(' ')}${rounded ? ` round ${t.slice(4).join(' ')}` : ''})`;
    },
  };
}

const CENTRE = [50, 0, 50, 0];
const PLACES: Record<string, number> = { left: 0, top: 0, center: 50, right: 100, bottom: 100 };
const place = (n: csstree.CssNode, c: ValueContext) =>
  n.type === 'Identifier' && n.name in PLACES ? [present(PLACES[n.name]), 0] : toLinear(n, c);

function round(kind: 'circle' | 'ellipse', args: csstree.CssNode[], c: ValueContext): Shape | null {
  const at = args.findIndex((n) => isWord(n, 'at'));
  const radii = at < 0 ? args : args.slice(0, at);
  const where = at < 0 ? [] : args.slice(at + 1);
  const places = where.length === 1 ? [place(itemAt(where, 0), c), [50, 0]] : where.map((n) => place(n, c));
  if (places.some((p) => p === null) || places.length > 2) return null;
  const count = kind === 'circle' ? 1 : 2;
  if (radii.length !== 0 && radii.length !== count) return null;
  const words = radii.map((r) => (r.type === 'Identifier' ? r.name : null));
  if (words.some((w) => w !== null && !/^(closest|farthest)-side$/.test(w))) return null;
  const numbers = linears(
    radii.filter((r) => r.type !== 'Identifier'),
    c,
  );
  if (!numbers) return null;
  const shown = radii.length ? words : new Array<string>(count).fill('closest-side');
  return {
    form: `${kind} ${shown.join(' ')}`,
    n: [...numbers, ...(at < 0 ? CENTRE : (places as number[][]).flat())],
    write: (n) => {
      const t = texts(n);
      let next = 0;
      const r = shown.map((w) => w ?? itemAt(t, next++).replace(/^-.*/, '0px'));
      return `${kind}(${r.join(' ')} at ${t.slice(next).join(' ')})`;
    },
  };
}

function polygon(args: csstree.CssNode[], c: ValueContext): Shape | null {
  const groups: csstree.CssNode[][] = [[]];
  for (const n of args) isOperator(n, ',') ? groups.push([]) : lastItem(groups).push(n);
  const rule =
    isWord(itemAt(groups, 0)[0], 'evenodd', 'nonzero') && itemAt(groups, 0).length === 1
      ? present(groups.shift())
      : null;
  const corners = groups.map((g) => (g.length === 2 ? linears(g, c) : null));
  if (corners.some((x) => x === null)) return null;
  const evenOdd = rule !== null && isWord(rule[0], 'evenodd');
  return {
    form: `polygon ${corners.length} ${evenOdd}`,
    n: (corners as number[][]).flat(),
    write: (n) => {
      const t = texts(n);
      const points = Array.from({ length: t.length / 2 }, (_, i) => `${t[i * 2]} ${t[i * 2 + 1]}`);
      return `polygon(${evenOdd ? 'evenodd, ' : ''}${points.join(', ')})`;
    },
  };
}

function read(css: string, c: ValueContext): Shape | null {
  const nodes = components(css);
  const node = nodes?.length === 1 ? itemAt(nodes, 0) : null;
  if (node?.type !== 'Function') return null;
  const args = node.children.toArray().filter((n) => n.type !== 'WhiteSpace' && n.type !== 'Comment');
  switch (node.name.toLowerCase()) {
    case 'inset':
      return inset(args, c);
    case 'circle':
    case 'ellipse':
      return round(node.name.toLowerCase() as 'circle' | 'ellipse', args, c);
    case 'polygon':
      return polygon(args, c);
    default:
      return null;
  }
}

/** `clip-path` with basic shapes of equal form (CSS Shapes 1, §4.2); `none` is accepted and flips. */
export const shape: ValueType = {
  name: 'shape',
  example: 'inset(0 0 100% 0)',
  accepts: (css) => css.trim() === 'none' || read(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const a = read(from, context);
    const b = read(to, context);
    // Paths, and shapes that are written otherwise: part by part.
    if (!a && !b) return parts.pair(from, to, context);
    if (!a || !b || a.form !== b.form || a.n.length !== b.n.length) return null;
    const form: Form = {
      write: (n, at) => b.write(Array.from({ length: b.n.length }, (_, i) => itemAt(n, at + i))),
    };
    return { from: a.n, to: b.n, form };
  },
};
