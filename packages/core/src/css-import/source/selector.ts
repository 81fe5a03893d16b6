/** Selectors as text: lists taken apart, nesting resolved, specificity (Selectors 4, §17; CSS Nesting 1, §3). */
import { itemAt, present } from '../../assert/index.ts';
import * as csstree from 'css-tree';

export type Specificity = readonly [ids: number, classes: number, types: number];

export interface ReadSelector {
  text: string;
  weight: Specificity;
  /** why elements cannot be found by it as the page stands; null where they can */
  obstacle: string | null;
  /** the pseudo-element that it ends in, as `::before` */
  pseudo: string | null;
}

const memory = new Map<string, ReadSelector[] | null>();

/** The parts of a selector list; null where it is not one. */
export function readSelectors(list: string): ReadSelector[] | null {
  const known = memory.get(list);
  if (known !== undefined) return known;
  if (memory.size > 5000) memory.clear();
  const fresh = read(list);
  memory.set(list, fresh);
  return fresh;
}

function read(list: string): ReadSelector[] | null {
  if (list.length > 4000 || computeDepth(list) > 24) return null;
  try {
    const ast = csstree.parse(list, {
      context: 'selectorList',
      positions: true,
      onParseError: (e) => {
        throw e;
      },
    });
    if (ast.type !== 'SelectorList') return null;
    return ast.children.toArray().map((s) => ({
      text: s.loc ? list.slice(s.loc.start.offset, s.loc.end.offset).trim() : csstree.generate(s),
      weight: weigh(s),
      obstacle: findObstacle(s),
      pseudo: findPseudo(s),
    }));
  } catch {
    return null;
  }
}

function computeDepth(text: string): number {
  let depth = 0;
  let most = 0;
  for (const c of text) {
    if (c === '(') most = Math.max(most, ++depth);
    else if (c === ')') depth--;
  }
  return most;
}

const NONE: Specificity = [0, 0, 0];
const sum = (a: Specificity, b: Specificity): Specificity => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const compareWeights = (a: Specificity, b: Specificity): number =>
  a[0] - b[0] || a[1] - b[1] || a[2] - b[2];
const heaviest = (nodes: readonly csstree.CssNode[]): Specificity =>
  nodes.map(weigh).reduce((a, b) => (compareWeights(a, b) >= 0 ? a : b), NONE);

const listChildren = (node: csstree.CssNode): csstree.CssNode[] =>
  'children' in node && node.children ? node.children.toArray() : [];

function weigh(node: csstree.CssNode): Specificity {
  switch (node.type) {
    case 'Selector':
      return listChildren(node).map(weigh).reduce(sum, NONE);
    case 'SelectorList':
      return heaviest(listChildren(node));
    case 'IdSelector':
      return [1, 0, 0];
    case 'ClassSelector':
    case 'AttributeSelector':
      return [0, 1, 0];
    case 'TypeSelector':
      return node.name === '*' || node.name.endsWith('|*') ? NONE : [0, 0, 1];
    case 'PseudoElementSelector':
      return [0, 0, 1];
    case 'PseudoClassSelector': {
      const name = node.name.toLowerCase();
      const inner = node.children?.toArray() ?? [];
      if (name === 'where') return NONE;
      if (name === 'is' || name === 'not' || name === 'has') return heaviest(inner);
      if (name.startsWith('nth-')) {
        const of = inner[0]?.type === 'Nth' ? inner[0].selector : null;
        return sum([0, 1, 0], of ? weigh(of) : NONE);
      }
      return /^(before|after|first-line|first-letter)$/.test(name) ? [0, 0, 1] : [0, 1, 0];
    }
    default:
      return NONE;
  }
}

/** States that come and go: what holds only in them is not what the scroll moves. */
const STATES =
  /^(hover|active|focus|focus-within|focus-visible|visited|target|checked|indeterminate|open|popover-open|modal|fullscreen|playing|paused|invalid|valid|user-invalid|user-valid|autofill|placeholder-shown|state|host|host-context|defined|default)$/i;

/** Pseudo-elements that stand in the page like elements. */
const DRAWN = /^(before|after)$/i;

function findPseudo(selector: csstree.CssNode): string | null {
  const last = listChildren(selector).at(-1);
  const isDrawn = last?.type === 'PseudoElementSelector' || last?.type === 'PseudoClassSelector';
  return isDrawn && DRAWN.test(last.name) ? `::${last.name.toLowerCase()}` : null;
}

function findObstacle(selector: csstree.CssNode): string | null {
  let found: string | null = null;
  csstree.walk(selector, (node) => {
    if (node.type === 'PseudoElementSelector' && !DRAWN.test(node.name))
      found ??= `it moves the pseudo-element ::${node.name}, which has no place of its own here`;
    else if (node.type === 'PseudoClassSelector' && STATES.test(node.name))
      found ??= `it applies only while the element is in the state :${node.name}`;
  });
  return found;
}

/** A nested selector list as it stands without nesting. `parents` is the list around it. */
export function unnested(list: string, parents: readonly string[]): string[] | null {
  const parts = readSelectors(relative(list));
  if (!parts) return null;
  return parts.map(({ text }) => joined(text.replace(/^:scope\s*/, ''), parents));
}

/** A list that may begin with combinators, written so that a parser takes it. */
const relative = (list: string): string =>
  splitTop(list)
    .map((part) => (/^[>+~]/.test(part.trim()) ? `:scope ${part.trim()}` : part.trim()))
    .join(', ');

function joined(text: string, parents: readonly string[]): string {
  const only = parents.length === 1 ? itemAt(parents, 0) : null;
  const whole = only !== null ? only : `:is(${parents.join(', ')})`;
  const simple = only !== null && !/[\s>+~]/.test(only.replace(/\([^)]*\)/g, ''));
  const places = text.match(/&/g)?.length ?? 0;
  if (places === 0) return `${whole} ${text}`;
  if (places === 1 && text.startsWith('&')) {
    const rest = text.slice(1);
    // A type selector cannot follow a class.
    return /^[a-z*]/i.test(rest) ? `:is(${parents.join(', ')})${rest}` : whole + rest;
  }
  return text.replaceAll('&', simple ? whole : `:is(${parents.join(', ')})`);
}

/** Parts between top-level commas. */
export function splitTop(text: string, separator = ','): string[] {
  const parts: string[] = [];
  let depth = 0;
  let quote = '';
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    const c = present(text[i]);
    if (quote) {
      if (c === '\\') i++;
      else if (c === quote) quote = '';
    } else if (c === '"' || c === "'") quote = c;
    else if (c === '(' || c === '[') depth++;
    else if (c === ')' || c === ']') depth--;
    else if (depth <= 0 && (separator === ' ' ? /\s/.test(c) : c === separator)) {
      parts.push(text.slice(from, i));
      from = i + 1;
    }
  }
  parts.push(text.slice(from));
  const tidy = parts.map((p) => p.trim());
  return separator === ' ' ? tidy.filter(Boolean) : tidy;
}
