import { itemAt, present } from '../../assert/index.ts';
import { ANY_CONTEXT } from '../components.ts';
import { IDENTITY, mixer, multiply, projecting, scaling, skewing, translation, turning } from '../matrix.ts';
import type { Matrix } from '../matrix.ts';
import { decimal } from '../value-type.ts';
import type { Form, Mixable, ValueContext, ValueType } from '../value-type.ts';
import { neutral, none, read } from './transform-steps.ts';
import type { Kind, Step } from './transform-steps.ts';

const MATRIX: Record<Kind, (n: number[]) => Matrix> = {
  translate: ([x, y, z]) => translation(present(x), present(y), present(z)),
  scale: ([x, y, z]) => scaling(present(x), present(y), present(z)),
  rotate: ([x, y, z, a]) => turning([present(x), present(y), present(z)], present(a)),
  skewX: ([x]) => skewing(present(x), 0),
  skewY: ([y]) => skewing(0, present(y)),
  skew: ([x, y]) => skewing(present(x), present(y)),
  perspective: ([d]) => projecting(present(d)),
  matrix: (n) => n,
};
const toMatrix = (steps: readonly Step[]): Matrix =>
  steps.reduce<Matrix>((m, s) => multiply(m, MATRIX[s.kind](s.n)), IDENTITY);

const WRITE: Record<Kind, (n: number[]) => string> = {
  translate: ([x, y, z]) =>
    z === 0
      ? `translate(${decimal(present(x))}px, ${decimal(present(y))}px)`
      : `translate3d(${[x, y, z].map((v) => `${decimal(present(v))}px`).join(', ')})`,
  scale: (n) =>
    n[2] === 1
      ? `scale(${decimal(itemAt(n, 0))}, ${decimal(itemAt(n, 1))})`
      : `scale3d(${n.map(decimal).join(', ')})`,
  rotate: ([x, y, z, a]) =>
    x === 0 && y === 0 && z === 1
      ? `rotate(${decimal(present(a))}deg)`
      : `rotate3d(${decimal(present(x))}, ${decimal(present(y))}, ${decimal(present(z))}, ${decimal(present(a))}deg)`,
  skewX: ([x]) => `skewX(${decimal(present(x))}deg)`,
  skewY: ([y]) => `skewY(${decimal(present(y))}deg)`,
  skew: ([x, y]) => `skew(${decimal(present(x))}deg, ${decimal(present(y))}deg)`,
  perspective: ([d]) => `perspective(${Number.isFinite(d) ? `${decimal(present(d))}px` : 'none'})`,
  matrix: (n) => `matrix3d(${n.map(decimal).join(', ')})`,
};

/** Mixes like with like; a turn about another axis and a perspective mix as matrices, as the standard asks. */
interface PairedStep {
  from: number[];
  to: number[];
  kind: Kind;
  /** numbers of the step from those that mix */
  read?: (n: number[]) => number[];
  unclear?: boolean;
}

function pairStep(a: Step, b: Step): PairedStep | null {
  if (a.kind === 'rotate') {
    const same = [0, 1, 2].every((i) => Math.abs(itemAt(a.n, i) - itemAt(b.n, i)) < 1e-9);
    const axis = same || a.n[3] === 0 ? b.n : b.n[3] === 0 ? a.n : null;
    if (axis)
      return {
        from: [itemAt(a.n, 3)],
        to: [itemAt(b.n, 3)],
        kind: 'rotate',
        read: ([angle]) => [...axis.slice(0, 3), present(angle)],
      };
    return viaMatrix([a], [b]);
  }
  if (a.kind === 'matrix') return viaMatrix([a], [b]);
  if (a.kind === 'perspective') {
    // What mixes is the inverse of the distance; none is at infinity.
    const inverse = (s: Step) => (Number.isFinite(itemAt(s.n, 0)) ? 1 / Math.max(1, itemAt(s.n, 0)) : 0);
    return {
      from: [inverse(a)],
      to: [inverse(b)],
      kind: 'perspective',
      read: ([i]) => [present(i) > 0 ? 1 / present(i) : none],
    };
  }
  return { from: a.n, to: b.n, kind: a.kind };
}

function viaMatrix(a: readonly Step[], b: readonly Step[]): PairedStep | null {
  const mixed = mixer(toMatrix(a), toMatrix(b));
  return (
    mixed && {
      from: [0],
      to: [1],
      kind: 'matrix',
      read: ([t]) => mixed.at(present(t)),
      unclear: mixed.unclear,
    }
  );
}

const join = (under: string, over: string): string =>
  under === 'none' ? over : over === 'none' ? under : `${under} ${over}`;

/** Function by function, where both lists agree; null where they do not. */
function accumulated(a: readonly Step[], b: readonly Step[]): Step[] | null {
  const steps = Array.from({ length: Math.max(a.length, b.length) }, (_, i): Step | null => {
    const x = a[i] ?? neutral(itemAt(b, i));
    const y = b[i] ?? neutral(itemAt(a, i));
    if (x.kind !== y.kind || x.kind === 'matrix' || x.kind === 'perspective') return null;
    if (x.kind === 'rotate') {
      const [p, q] = [x.n.slice(0, 3), y.n.slice(0, 3)];
      if (p.some((n, k) => Math.abs(n - itemAt(q, k)) > 1e-9)) return null;
      return { kind: 'rotate', n: [...p, itemAt(x.n, 3) + itemAt(y.n, 3)] };
    }
    // What a scale adds is what it differs from 1 by.
    const one = x.kind === 'scale' ? 1 : 0;
    return { kind: x.kind, n: x.n.map((n, k) => n + itemAt(y.n, k) - one) };
  });
  return steps.every((s) => s !== null) ? steps : null;
}

/** `transform` (CSS Transforms 2, §11): function by function as long as both lists agree, the rest as one matrix. */
export const transform: ValueType = {
  name: 'transform',
  example: 'skewY(6deg)',
  accepts: (css) => read(css, ANY_CONTEXT) !== null,
  pair(from, to, context): Mixable | null {
    const a = read(from, context);
    const b = read(to, context);
    if (!a || !b) return null;
    const parts: PairedStep[] = [];
    const longest = Math.max(a.length, b.length);
    for (let i = 0; i < longest; i++) {
      const x = a[i] ?? neutral(itemAt(b, i));
      const y = b[i] ?? neutral(itemAt(a, i));
      const part = x.kind === y.kind ? pairStep(x, y) : viaMatrix(a.slice(i), b.slice(i));
      if (!part) return null;
      parts.push(part);
      if (x.kind !== y.kind) break;
    }
    return {
      from: parts.flatMap((p) => p.from),
      to: parts.flatMap((p) => p.to),
      form: toList(parts),
      ...(parts.some((p) => p.unclear) ? { unclear: true } : {}),
    };
  },
  add: join,
  accumulate(under, over, context) {
    const [a, b] = [read(under, context), read(over, context)];
    const steps = a && b ? accumulated(a, b) : null;
    return steps ? steps.map((s) => WRITE[s.kind](s.n)).join(' ') || 'none' : join(under, over);
  },
};

/** A transform as sixteen numbers; null where it cannot be read. */
export function transformMatrix(css: string, context: ValueContext): Matrix | null {
  const steps = read(css, context);
  return steps && toMatrix(steps);
}

function toList(parts: readonly PairedStep[]): Form {
  const offsets = parts.map((_, i) => parts.slice(0, i).reduce((sum, p) => sum + p.from.length, 0));
  const numbers = (n: ArrayLike<number>, at: number, p: PairedStep, i: number) => {
    const own = Array.from({ length: p.from.length }, (_, k) => itemAt(n, at + itemAt(offsets, i) + k));
    return p.read ? p.read(own) : own;
  };
  return {
    write: (n, at) => parts.map((p, i) => WRITE[p.kind](numbers(n, at, p, i))).join(' ') || 'none',
    matrix: (n, at) =>
      parts.reduce<Matrix>((m, p, i) => multiply(m, MATRIX[p.kind](numbers(n, at, p, i))), IDENTITY),
  };
}
