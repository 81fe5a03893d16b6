/** Written code as it is read: what each element plays by it, and what it declares otherwise. */
import type { Element } from 'domhandler';
import type * as postcss from 'postcss';
import { itemAt } from '../../assert/index.ts';
import { splitTop } from '../../text/index.ts';
import { carries, moves, readRules } from '../cascade/rules.ts';
import type { AnimationSlot } from '../compose/slots.ts';
import { PageReader } from '../page-reader.ts';
import type { PageElements } from '../source/elements.ts';
import { unnested } from '../source/selector.ts';
import { parseSafely } from '../source/sheets.ts';
import { Lines } from '../source/source.ts';

export interface Code {
  root: postcss.Root;
  reader: PageReader;
  /** slots of an element; null where what it plays cannot be read */
  slots(e: Element): readonly AnimationSlot[] | null;
}

export function readCode(css: string, elements: PageElements): Code {
  const root = parseSafely(css);
  const rules = readRules([{ lines: new Lines('', css), offset: 0, root, around: [] }]);
  unnest(root);
  const reader = new PageReader(rules, elements, new Set());
  const played = reader.played();
  return {
    root,
    reader,
    slots(e) {
      const p = played.get(e);
      return p?.kind === 'moving' ? p.slots : p?.kind === 'other' ? null : [];
    },
  };
}

/** Takes rules out of the rules around them, so that each declaration stands in one rule of its own. */
function unnest(root: postcss.Root): void {
  root.walkRules((rule) => {
    const own = rule.parent?.type === 'atrule' && isFrames(rule.parent as postcss.AtRule);
    if (own) return;
    let after: postcss.ChildNode = rule;
    for (const node of [...(rule.nodes ?? [])]) {
      if (node.type !== 'rule' && node.type !== 'atrule') continue;
      if (node.type === 'rule') node.selectors = unnested(node.selector, rule.selectors) ?? [node.selector];
      else {
        // Declarations right inside a condition are of the rule around it.
        const inner = rule.clone({ nodes: [] });
        inner.append(node.nodes ?? []);
        node.removeAll();
        node.append(inner);
      }
      after.after(node);
      after = node;
    }
  });
}
const isFrames = ({ name }: postcss.AtRule): boolean => /keyframes$/i.test(name);

/** A declaration that moves nothing by itself. */
export interface Plain {
  selector: string;
  property: string;
  value: string;
  node: postcss.Declaration;
}

/** At-rules around a node, outermost first. */
export function listAround(node: postcss.Node): string[] {
  const out: string[] = [];
  for (let at = node.parent; at && at.type !== 'root'; at = at.parent)
    if (at.type === 'atrule') {
      const { name, params } = at as postcss.AtRule;
      out.unshift(`@${name} ${params}`);
    }
  return out;
}

const isInFrames = (node: postcss.Declaration): boolean =>
  listAround(node).some((head) => /^@(?:-webkit-)?keyframes\b|^@property\b/.test(head));

/** By where they stand, for each selector of their rule; the last of several alike counts. */
export function plainDeclarations(root: postcss.Root): Map<string, Plain> {
  const out = new Map<string, Plain>();
  root.walkDecls((node) => {
    const rule = node.parent;
    if (rule?.type !== 'rule' || isInFrames(node) || moves(node.prop) || carries(node.prop)) return;
    if (node.prop.startsWith('--')) return;
    for (const selector of splitTop((rule as postcss.Rule).selector)) {
      const property = node.prop.toLowerCase();
      const value = node.important ? `${node.value} !important` : node.value;
      out.set([...listAround(node), selector, property].join('\n'), { selector, property, value, node });
    }
  });
  return out;
}

/** A rule, or some of its declarations, as text of its own, with everything around it. */
export function asText(declarations: readonly postcss.Declaration[]): string {
  const node = itemAt(declarations, 0);
  const { selector } = node.parent as postcss.Rule;
  const own = `${selector} {\n${declarations.map((d) => `  ${d.toString()};`).join('\n')}\n}`;
  return listAround(node).reduceRight(
    (inner, head) => `${head} {\n${inner.replace(/^(?=.)/gm, '  ')}\n}`,
    own,
  );
}
