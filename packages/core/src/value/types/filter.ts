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
import { decimal } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';

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

interface Step {
  name: string;
  value: number;
}

function read(css: string, c: ValueContext): Step[] | null {
  const nodes = components(css);
  if (!nodes) return null;
  const keyword = readKeyword(nodes);
  if (keyword) return keyword === 'none' ? [] : null;
  const steps: Step[] = [];
  for (const n of nodes) {
    if (n.type !== 'Function') return null;
    const facts = FUNCTIONS[n.name.toLowerCase()];
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
    steps.push({ name: n.name.toLowerCase(), value });
  }
  return steps;
}

const list = (names: string[]): Form => ({
  write: (n, i) =>
    names
      .map(
        (name, k) =>
          `${name}(${decimal(Math.max(name === 'hue-rotate' ? -Infinity : 0, itemAt(n, i + k)))}${present(FUNCTIONS[name]).unit})`,
      )
      .join(' ') || 'none',
  blur: (n, i) =>
    names.reduce((most, name, k) => (name === 'blur' ? Math.max(most, itemAt(n, i + k)) : most), 0),
});

/** `filter`: lists mix function by function when the shorter one is a beginning of the longer; missing ones are neutral. */
export const filter: ValueType = {
  name: 'filter',
  example: 'blur(6px)',
  accepts: (css) => read(css, ANY_CONTEXT) !== null,
  pair(from, to, context) {
    const a = read(from, context);
    const b = read(to, context);
    if (!a || !b) return null;
    const longer = a.length >= b.length ? a : b;
    const names = longer.map((s) => s.name);
    const fits = (steps: Step[]) => steps.every((s, i) => s.name === names[i]);
    if (!fits(a) || !fits(b)) return null;
    const values = (steps: Step[]) =>
      names.map((name, i) => steps[i]?.value ?? present(FUNCTIONS[name]).neutral);
    return { from: values(a), to: values(b), form: list(names) };
  },
  add: (under, over) =>
    under.trim() === 'none' ? over : over.trim() === 'none' ? under : `${under} ${over}`,
};
