/** Splitting CSS values into components, on top of the CSS parser. */
import { lastItem } from '../assert/index.ts';
import * as csstree from 'css-tree';
import { fromNode, resolveLength } from '../page/index.ts';
import type { LengthExpr } from '../page/index.ts';
import type { ValueContext } from './value-type.ts';

/** Top-level components of a value, or null where it cannot be parsed. */
export function components(css: string): csstree.CssNode[] | null {
  try {
    const ast = csstree.parse(css, {
      context: 'value',
      onParseError: (e) => {
        throw e;
      },
    });
    if (ast.type !== 'Value') return null;
    return ast.children.toArray().filter((n) => n.type !== 'WhiteSpace' && n.type !== 'Comment');
  } catch {
    return null;
  }
}

/** The keyword that is all of a value, in lower case; null where there is more than one, or something else. */
export const readKeyword = (nodes: readonly csstree.CssNode[]): string | null =>
  nodes.length === 1 && nodes[0]?.type === 'Identifier' ? nodes[0].name.toLowerCase() : null;

/** The arguments of a function node, split at commas. */
export function splitArguments(node: csstree.FunctionNode): csstree.CssNode[][] {
  const out: csstree.CssNode[][] = [[]];
  for (const n of node.children.toArray()) {
    if (n.type === 'Operator' && n.value.trim() === ',') out.push([]);
    else if (n.type !== 'WhiteSpace') lastItem(out).push(n);
  }
  return out;
}

/** px of a length node with percentages of `percent`; null where it is no length. */
export function toLength(node: csstree.CssNode, percent: number, c: ValueContext): number | null {
  try {
    const expr: LengthExpr = fromNode(node);
    return resolveLength(expr, {
      percent,
      viewport: c.viewport,
      container: c.container,
      em: c.em,
      rem: c.rem,
    });
  } catch {
    return null;
  }
}

/** A plain number; percentages count as fractions where `toPercent` is given. */
export function toNumber(node: csstree.CssNode, toPercent?: number): number | null {
  if (node.type === 'Percentage')
    return toPercent === undefined ? null : (Number(node.value) / 100) * toPercent;
  if (node.type === 'Number') return Number(node.value);
  if (node.type !== 'Function') return null;
  try {
    const value = resolveLength(fromNode(node), {
      percent: toPercent ?? NaN,
      viewport: { width: NaN, height: NaN },
    });
    return Number.isFinite(value) ? value : null;
  } catch {
    return null;
  }
}

const DEGREES: Record<string, number> = { deg: 1, grad: 0.9, turn: 360, rad: 180 / Math.PI };

/** Degrees of an angle; a bare 0 counts. */
export function toAngle(node: csstree.CssNode): number | null {
  if (node.type === 'Dimension') {
    const factor = DEGREES[node.unit.toLowerCase()];
    return factor === undefined ? null : Number(node.value) * factor;
  }
  return node.type === 'Number' && Number(node.value) === 0 ? 0 : null;
}

/** A stand-in context for asking whether a value could be read at all. */
export const ANY_CONTEXT: ValueContext = {
  box: { width: 100, height: 100 },
  viewport: { width: 1000, height: 1000 },
  em: 16,
  rem: 16,
  color: '#000',
};

/** Percent and px of a length whose percentages stay open; null where it is no length or not linear in them. */
export function toLinear(node: csstree.CssNode, c: ValueContext): [percent: number, px: number] | null {
  if (node.type === 'Number' && Number(node.value) !== 0) return null;
  const at = (percent: number) => toLength(node, percent, c);
  const [px, one, two] = [at(0), at(100), at(200)];
  if (px === null || one === null || two === null || !Number.isFinite(px + one + two)) return null;
  return Math.abs(two - 2 * one + px) < 1e-9 ? [one - px, px] : null;
}
