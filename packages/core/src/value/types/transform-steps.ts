/** The functions that a `transform` is a list of, as numbers (CSS Transforms 2, §11). */
import { itemAt, present } from '../../assert/index.ts';
import { toAngle, splitArguments, components, toLength, toNumber, readKeyword } from '../components.ts';
import { IDENTITY } from '../matrix.ts';
import type { ValueContext } from '../value-type.ts';
import type * as csstree from 'css-tree';

/** One transform function with its numbers: px, degrees or factors. */
export interface Step {
  kind: Kind;
  n: number[];
}
export type Kind = 'translate' | 'scale' | 'rotate' | 'skewX' | 'skewY' | 'skew' | 'perspective' | 'matrix';

type Read = (args: csstree.CssNode[], c: ValueContext) => (number | null)[];
export const none = Infinity;
const lengths: Read = (args, c) =>
  args.map((a, i) => toLength(a, itemAt([c.box.width, c.box.height, NaN], i), c));
const one =
  (at: 0 | 1 | 2, read: Read, rest: number): Read =>
  (args, c) => {
    const out: (number | null)[] = [rest, rest, rest];
    // Percentages of the height are those of a second length.
    const second = read === lengths && at === 1;
    out[at] = read(second ? [itemAt(args, 0), itemAt(args, 0)] : args, c)[second ? 1 : 0] ?? null;
    return out;
  };
const factors: Read = (args) => args.map((a) => toNumber(a, 1));
const about =
  (axis: number[]): Read =>
  (args) => [...axis, toAngle(itemAt(args, 0))];
const angles: Read = (args) => args.map((a) => toAngle(a));

/** Functions by name: what they are primitives of (CSS Transforms 2, §12), how many arguments, and how they are read. */
const FUNCTIONS: Record<string, { kind: Kind; least: number; most: number; read: Read }> = {
  translate: {
    kind: 'translate',
    least: 1,
    most: 2,
    read: (a, c) => [...lengths(a, c), ...(a[1] ? [] : [0]), 0],
  },
  translatex: { kind: 'translate', least: 1, most: 1, read: one(0, lengths, 0) },
  translatey: { kind: 'translate', least: 1, most: 1, read: one(1, lengths, 0) },
  translatez: {
    kind: 'translate',
    least: 1,
    most: 1,
    read: one(2, (a, c) => [toLength(itemAt(a, 0), NaN, c)], 0),
  },
  translate3d: { kind: 'translate', least: 3, most: 3, read: lengths },
  scale: {
    kind: 'scale',
    least: 1,
    most: 2,
    read: (a, c) => {
      const [x = null, y = x] = factors(a, c);
      return [x, y, 1];
    },
  },
  scalex: { kind: 'scale', least: 1, most: 1, read: one(0, factors, 1) },
  scaley: { kind: 'scale', least: 1, most: 1, read: one(1, factors, 1) },
  scalez: { kind: 'scale', least: 1, most: 1, read: one(2, factors, 1) },
  scale3d: { kind: 'scale', least: 3, most: 3, read: factors },
  rotate: { kind: 'rotate', least: 1, most: 1, read: about([0, 0, 1]) },
  rotatex: { kind: 'rotate', least: 1, most: 1, read: about([1, 0, 0]) },
  rotatey: { kind: 'rotate', least: 1, most: 1, read: about([0, 1, 0]) },
  rotatez: { kind: 'rotate', least: 1, most: 1, read: about([0, 0, 1]) },
  rotate3d: {
    kind: 'rotate',
    least: 4,
    most: 4,
    read: (a) => {
      const axis = a.slice(0, 3).map((x) => toNumber(x) ?? NaN);
      const size = Math.hypot(...axis);
      return [...axis.map((v) => (size ? v / size : v)), toAngle(itemAt(a, 3))];
    },
  },
  skewx: { kind: 'skewX', least: 1, most: 1, read: angles },
  skewy: { kind: 'skewY', least: 1, most: 1, read: angles },
  skew: { kind: 'skew', least: 1, most: 2, read: (a, c) => [...angles(a, c), ...(a[1] ? [] : [0])] },
  perspective: {
    kind: 'perspective',
    least: 1,
    most: 1,
    read: (a, c) => [readKeyword(a) === 'none' ? none : toLength(itemAt(a, 0), NaN, c)],
  },
  matrix: {
    kind: 'matrix',
    least: 6,
    most: 6,
    read: (args) => {
      const [a, b, c, d, e, f] = args.map((x) => toNumber(x)) as number[];
      return [
        present(a),
        present(b),
        0,
        0,
        present(c),
        present(d),
        0,
        0,
        0,
        0,
        1,
        0,
        present(e),
        present(f),
        0,
        1,
      ];
    },
  },
  matrix3d: { kind: 'matrix', least: 16, most: 16, read: (args) => args.map((x) => toNumber(x)) },
};

const NEUTRAL: Record<Kind, number[]> = {
  translate: [0, 0, 0],
  scale: [1, 1, 1],
  rotate: [0, 0, 1, 0],
  skewX: [0],
  skewY: [0],
  skew: [0, 0],
  perspective: [none],
  matrix: IDENTITY,
};

/** The functions of a `transform`, in their order; none for `none`, null where it cannot be read. */
export function read(css: string, c: ValueContext): Step[] | null {
  const nodes = components(css);
  if (!nodes) return null;
  const keyword = readKeyword(nodes);
  if (keyword) return keyword === 'none' ? [] : null;
  const steps: Step[] = [];
  for (const node of nodes) {
    if (node.type !== 'Function') return null;
    const facts = FUNCTIONS[node.name.toLowerCase()];
    const args = splitArguments(node);
    if (!facts || args.some((a) => a.length !== 1) || args.length < facts.least || args.length > facts.most)
      return null;
    const n = facts.read(
      args.map((a) => itemAt(a, 0)),
      c,
    );
    if (n.some((v) => v === null || Number.isNaN(v))) return null;
    steps.push({ kind: facts.kind, n: n as number[] });
  }
  return steps;
}

/** The same function, doing nothing. */
export const neutral = (s: Step): Step => ({
  kind: s.kind,
  n: s.kind === 'rotate' ? [...s.n.slice(0, 3), 0] : NEUTRAL[s.kind],
});
