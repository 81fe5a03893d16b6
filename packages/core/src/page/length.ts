/**
 * Lengths and percentages with calc(), kept symbolic until sizes are known (CSS Values 4, §10).
 * A parsed expression is a small tree; `resolveLength` turns it into CSS px.
 */
import { itemAt, lastItem, present } from '../assert/index.ts';
import { generate, parse } from './css.ts';
import type { CssNode } from './css.ts';
import type { Px } from './units.ts';

export type LengthExpr =
  | { kind: 'number'; value: number }
  | { kind: 'dimension'; value: number; unit: string }
  | { kind: 'sum'; terms: LengthExpr[] }
  | { kind: 'product'; factors: LengthExpr[] }
  | { kind: 'inverse'; of: LengthExpr }
  | { kind: 'min' | 'max' | 'clamp'; of: LengthExpr[] };

/** What a length may refer to. All in CSS px. */
export interface Sizes {
  /** 100 % */
  percent: Px;
  viewport: { width: Px; height: Px };
  /** the query container; the viewport unless measured */
  container?: { width: Px; height: Px } | undefined;
  /** font sizes; 16 unless measured */
  em?: Px;
  rem?: Px;
}

export type Parsed<T> = { ok: true; value: T } | { ok: false; error: string };

/** CSS px per unit, for the units that never depend on the page (CSS Values 4, §6.2). */
const ABSOLUTE: Record<string, number> = {
  px: 1,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  pt: 96 / 72,
  pc: 16,
};

const RELATIVE: Record<string, (s: Sizes) => number> = {
  '%': (s) => s.percent / 100,
  vw: (s) => s.viewport.width / 100,
  vh: (s) => s.viewport.height / 100,
  vi: (s) => s.viewport.width / 100,
  vb: (s) => s.viewport.height / 100,
  vmin: (s) => Math.min(s.viewport.width, s.viewport.height) / 100,
  vmax: (s) => Math.max(s.viewport.width, s.viewport.height) / 100,
  em: (s) => s.em ?? 16,
  rem: (s) => s.rem ?? 16,
};
const container = (s: Sizes) => s.container ?? s.viewport;
RELATIVE.cqw = RELATIVE.cqi = (s) => container(s).width / 100;
RELATIVE.cqh = RELATIVE.cqb = (s) => container(s).height / 100;
// On a desktop viewport without retracting bars the small, large and dynamic units are the same.
for (const size of ['s', 'l', 'd'])
  for (const u of ['vw', 'vh', 'vi', 'vb', 'vmin', 'vmax']) RELATIVE[size + u] = present(RELATIVE[u]);

const fail = (error: string): never => {
  throw new SyntaxError(error);
};

/**
 * Reads one length, percentage, plain number or calc()/min()/max()/clamp() of them.
 * An unknown unit or function is an error that names it.
 */
export function parseLength(css: string): Parsed<LengthExpr> {
  const known = parsed.get(css);
  if (known) return known;
  // Documents repeat the same few texts; a stream of ever new ones must not fill the memory.
  if (parsed.size > MAX_PARSED) parsed.clear();
  const fresh = parseFresh(css);
  parsed.set(css, fresh);
  return fresh;
}

const MAX_PARSED = 4000;
const parsed = new Map<string, Parsed<LengthExpr>>();

function parseFresh(css: string): Parsed<LengthExpr> {
  try {
    const ast = parse(css, { context: 'value', onParseError: (e) => fail(e.message) });
    if (ast.type !== 'Value') return { ok: false, error: `“${css}” is not a value` };
    const nodes = withoutSpace(ast.children.toArray());
    if (nodes.length !== 1) return { ok: false, error: `“${css}” is not one length` };
    return { ok: true, value: fromNode(itemAt(nodes, 0)) };
  } catch (e) {
    return { ok: false, error: `“${css}”: ${(e as Error).message}` };
  }
}

const withoutSpace = (nodes: CssNode[]) =>
  nodes.filter((n) => n.type !== 'WhiteSpace' && n.type !== 'Comment');

/** The same as `parseLength` for a node that a caller has already split off. */
export function fromNode(node: CssNode): LengthExpr {
  switch (node.type) {
    case 'Number':
      return { kind: 'number', value: Number(node.value) };
    case 'Percentage':
      return { kind: 'dimension', value: Number(node.value), unit: '%' };
    case 'Dimension': {
      const unit = node.unit.toLowerCase();
      if (!(unit in ABSOLUTE) && !(unit in RELATIVE))
        return fail(`the unit “${node.unit}” is not a length known here`);
      return { kind: 'dimension', value: Number(node.value), unit };
    }
    case 'Parentheses':
      return sum(withoutSpace(node.children.toArray()));
    case 'Function': {
      const name = node.name.toLowerCase();
      const args = splitArguments(withoutSpace(node.children.toArray()));
      if (name === 'calc' && args.length === 1) return sum(itemAt(args, 0));
      if (name === 'min' || name === 'max') return { kind: name, of: args.map(sum) };
      if (name === 'clamp' && args.length === 3) return { kind: name, of: args.map(sum) };
      return fail(`${node.name}() with ${args.length} arguments cannot be resolved here`);
    }
    default:
      return fail(`“${generate(node)}” is not a length`);
  }
}

const isOperator = (n: CssNode, ...of: string[]) => n.type === 'Operator' && of.includes(n.value.trim());

function splitArguments(nodes: CssNode[]): CssNode[][] {
  const out: CssNode[][] = [[]];
  for (const n of nodes) isOperator(n, ',') ? out.push([]) : lastItem(out).push(n);
  return out;
}

function sum(nodes: CssNode[]): LengthExpr {
  const terms: LengthExpr[] = [];
  let from = 0;
  let sign = 1;
  const timeline = (to: number) => {
    const term = product(nodes.slice(from, to));
    terms.push(sign === 1 ? term : { kind: 'product', factors: [{ kind: 'number', value: -1 }, term] });
  };
  nodes.forEach((n, i) => {
    if (!isOperator(n, '+', '-') || i === from) return;
    timeline(i);
    sign = n.type === 'Operator' && n.value.trim() === '-' ? -1 : 1;
    from = i + 1;
  });
  timeline(nodes.length);
  return terms.length === 1 ? itemAt(terms, 0) : { kind: 'sum', terms };
}

function product(nodes: CssNode[]): LengthExpr {
  if (nodes.length === 0) return fail('a term is missing');
  const factors: LengthExpr[] = [];
  let invert = false;
  nodes.forEach((n, i) => {
    if (i % 2 === 1) {
      if (!isOperator(n, '*', '/')) return fail(`an operator is missing before “${generate(n)}”`);
      invert = n.type === 'Operator' && n.value.trim() === '/';
      return undefined;
    }
    const factor = fromNode(n);
    factors.push(invert ? { kind: 'inverse', of: factor } : factor);
    return undefined;
  });
  if (nodes.length % 2 === 0) return fail('a factor is missing');
  return factors.length === 1 ? itemAt(factors, 0) : { kind: 'product', factors };
}

/** CSS px of an expression (a plain number stays a number). */
export function resolveLength(expr: LengthExpr, sizes: Sizes): Px {
  switch (expr.kind) {
    case 'number':
      return expr.value;
    case 'dimension':
      return expr.value * (ABSOLUTE[expr.unit] ?? present(RELATIVE[expr.unit])(sizes));
    case 'sum':
      return expr.terms.reduce((a, t) => a + resolveLength(t, sizes), 0);
    case 'product':
      return expr.factors.reduce((a, t) => a * resolveLength(t, sizes), 1);
    case 'inverse':
      return 1 / resolveLength(expr.of, sizes);
    case 'min':
      return Math.min(...expr.of.map((t) => resolveLength(t, sizes)));
    case 'max':
      return Math.max(...expr.of.map((t) => resolveLength(t, sizes)));
    case 'clamp': {
      const [low, middle, high] = expr.of.map((t) => resolveLength(t, sizes)) as [number, number, number];
      return Math.max(low, Math.min(middle, high));
    }
  }
}

/** The plain percentage of an expression (`25%` → 25), or null when it is anything else. */
export const plainPercent = (expr: LengthExpr): number | null =>
  expr.kind === 'dimension' && expr.unit === '%' ? expr.value : null;
