/** Specificity (Selectors 4, §17). */
import * as csstree from 'css-tree';

export type Specificity = readonly [ids: number, classes: number, types: number];

const NONE: Specificity = [0, 0, 0];
const sum = (a: Specificity, b: Specificity): Specificity => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const compareWeights = (a: Specificity, b: Specificity): number =>
  a[0] - b[0] || a[1] - b[1] || a[2] - b[2];
const heaviest = (nodes: readonly csstree.CssNode[]): Specificity =>
  nodes.map(weigh).reduce((a, b) => (compareWeights(a, b) >= 0 ? a : b), NONE);

const listChildren = (node: csstree.CssNode): csstree.CssNode[] =>
  'children' in node && node.children ? node.children.toArray() : [];

/** Of a parsed selector; of a list the heaviest. */
export function weigh(node: csstree.CssNode): Specificity {
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

/** Of a selector list as text the heaviest; null where it cannot be read. */
export function weighText(list: string): Specificity | null {
  try {
    return weigh(csstree.parse(list, { context: 'selectorList' }));
  } catch {
    return null;
  }
}
