/** Selectors as text: lists taken apart, nesting resolved (CSS Nesting 1, §3). */
import { itemAt } from '../../assert/index.ts';
import * as csstree from 'css-tree';
import { weigh } from '../../format/index.ts';
import type { Specificity } from '../../format/index.ts';
import { splitTop } from '../../text/index.ts';

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

/** States that come and go: what holds only in them is not what the scroll moves. */
const STATES =
  /^(hover|active|focus|focus-within|focus-visible|visited|target|checked|indeterminate|open|popover-open|modal|fullscreen|playing|paused|invalid|valid|user-invalid|user-valid|autofill|placeholder-shown|state|host|host-context|defined|default)$/i;

/** Pseudo-elements that stand in the page like elements. */
const DRAWN = /^(before|after)$/i;

const listChildren = (node: csstree.CssNode): csstree.CssNode[] =>
  'children' in node && node.children ? node.children.toArray() : [];

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
