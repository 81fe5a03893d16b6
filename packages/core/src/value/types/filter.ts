import { generate } from 'css-tree';
import type * as csstree from 'css-tree';
import { itemAt, present } from '../../assert/index.ts';
import {
  ANY_CONTEXT,
  toAngle,
  splitArguments,
  components,
  toLength,
  toNumber,
  readKeyword,
} from '../components.ts';
import { between, joined } from '../joined.ts';
import type { Piece } from '../joined.ts';
import { decimal } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';
import { textShadow } from './shadow.ts';

/** Filter functions with their neutral argument for mixing and the unit they are written in (Filter Effects 1, §8, §11). */
const FUNCTIONS: Record<string, { neutral: number; omitted: number; unit: string }> = {
  blur: { neutral: 0, omitted: 0, unit: 'px' },
  'hue-rotate': { neutral: 0, omitted: 0, unit: 'deg' },
  brightness: { neutral: 1, omitted: 1, unit: '' },
  contrast: { neutral: 1, omitted: 1, unit: '' },
  saturate: { neutral: 1, omitted: 1, unit: '' },
  opacity: { neutral: 1, omitted: 1, unit: '' },
  grayscale: { neutral: 0, omitted: 1, unit: '' },
  invert: { neutral: 0, omitted: 1, unit: '' },
  sepia: { neutral: 0, omitted: 1, unit: '' },
};

/** Amounts beyond all of it are all of it. */
const CAPPED = new Set(['opacity', 'grayscale', 'invert', 'sepia']);

type Step = { name: string; value: number } | { name: 'drop-shadow'; shadow: string };

function readStep(n: csstree.CssNode, c: ValueContext): Step | null {
  if (n.type !== 'Function') return null;
  const name = n.name.toLowerCase();
  if (name === 'drop-shadow') {
    const shadow = n.children
      .toArray()
      .map((x) => generate(x))
      .join(' ');
    return textShadow.accepts(shadow) ? { name, shadow } : null;
  }
  const facts = FUNCTIONS[name];
  const arg = splitArguments(n)[0]?.[0];
  if (!facts) return null;
  const value = !arg
    ? facts.omitted
    : facts.unit === 'px'
      ? toLength(arg, NaN, c)
      : facts.unit === 'deg'
        ? toAngle(arg)
        : toNumber(arg, 1);
  if (value === null || Number.isNaN(value)) return null;
  return { name, value: CAPPED.has(name) ? Math.min(1, value) : value };
}

function read(css: string, c: ValueContext): Step[] | null {
  const nodes = components(css);
  if (!nodes) return null;
  const keyword = readKeyword(nodes);
  if (keyword) return keyword === 'none' ? [] : null;
  const steps = nodes.map((n) => readStep(n, c));
  return steps.every((s) => s !== null) ? steps : null;
}

const form = (name: string): Form => ({
  write: (n, i) =>
    `${name}(${decimal(Math.max(name === 'hue-rotate' ? -Infinity : 0, itemAt(n, i)))}${present(FUNCTIONS[name]).unit})`,
  ...(name === 'blur' ? { blur: (n, i) => itemAt(n, i) } : {}),
});

/** Two functions of one name; one that is missing is neutral. */
function pairStep(name: string, a: Step | undefined, b: Step | undefined, c: ValueContext): Piece | null {
  if (name === 'drop-shadow') {
    const [x, y] = [a, b].map((s) => (s && 'shadow' in s ? s.shadow : 'none')) as [string, string];
    const shadow = textShadow.pair(x, y, c);
    return shadow && joined(['drop-shadow(', shadow, ')']);
  }
  const [from, to] = [a, b].map((s) => (s && 'value' in s ? s.value : present(FUNCTIONS[name]).neutral));
  return { from: [present(from)], to: [present(to)], form: form(name) };
}

/** Two functions of one name added up, as CSS; null where they are different ones. */
function accumulated(a: Step | undefined, b: Step | undefined, c: ValueContext): string | null {
  const name = (a ?? b)?.name ?? '';
  if (a && b && a.name !== b.name) return null;
  if (name === 'drop-shadow') {
    const [x, y] = [a, b].map((s) => (s && 'shadow' in s ? s.shadow : 'none')) as [string, string];
    return `drop-shadow(${textShadow.accumulate?.(x, y, c) ?? y})`;
  }
  const { neutral } = present(FUNCTIONS[name]);
  const [x, y] = [a, b].map((s) => (s && 'value' in s ? s.value : neutral)) as [number, number];
  return form(name).write([x + y - neutral], 0);
}

/** `filter`: lists mix function by function when the shorter one is a beginning of the longer; missing ones are neutral. */
export const filter: ValueType = {
  name: 'filter',
  example: 'blur(6px)',
  accepts: (css) => read(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const a = read(from, context);
    const b = read(to, context);
    if (!a || !b) return null;
    const names = (a.length >= b.length ? a : b).map((s) => s.name);
    const fits = (steps: Step[]) => steps.every((s, i) => s.name === names[i]);
    if (!fits(a) || !fits(b)) return null;
    const pieces = names.map((name, i) => pairStep(name, a[i], b[i], context));
    if (pieces.some((p) => p === null)) return null;
    return names.length ? joined(between(pieces as Piece[], ' ')) : joined(['none']);
  },
  add: (under, over) =>
    under.trim() === 'none' ? over : over.trim() === 'none' ? under : `${under} ${over}`,
  accumulate(under, over, context) {
    const [a, b] = [read(under, context), read(over, context)];
    if (!a || !b) return over;
    const steps = Array.from({ length: Math.max(a.length, b.length) }, (_, i) =>
      accumulated(a[i], b[i], context),
    );
    // Lists that do not agree are not added up at all.
    return steps.every((s) => s !== null) ? steps.join(' ') || 'none' : over;
  },
};
