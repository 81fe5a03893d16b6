/** Values of properties made from the grammar that the standards publish, one after the other for each of its alternatives. */
import { createRequire } from 'node:module';
import { definitionSyntax } from 'css-tree';
import type { DSNode, DSNodeTypeOpts } from 'css-tree';
import type { Random } from '../stranger/random.ts';

interface Definition {
  name: string;
  syntax?: string;
  initial?: string;
  animationType?: string;
  longhands?: string[];
  inherited?: string;
}
const data = createRequire(import.meta.url)('@webref/css/css.json') as {
  properties: Definition[];
  types: Definition[];
  functions: Definition[];
};
const byName = (list: readonly Definition[]) => new Map(list.map((d) => [d.name, d]));
export const PROPERTIES: ReadonlyMap<string, Definition> = byName(data.properties);
const TYPES = byName(data.types);
const FUNCTIONS = byName(data.functions);

const LENGTHS =
  'px px px em rem ex ch cap ic lh rlh vw vh vi vb vmin vmax svw svh lvh dvh cqw cqh cqi cqb cqmin cqmax in cm mm pt pc q'.split(
    ' ',
  );
const COLORS = [
  '#c33',
  'rgb(20 90 160 / 60%)',
  'hsl(130 60% 40%)',
  'transparent',
  'currentcolor',
  'teal',
  'oklch(60% 0.14 250)',
  'color(display-p3 0.2 0.6 0.4)',
  'lab(50% 30 -40)',
  'hwb(40 10% 20%)',
];
/** How deep types may stand in each other before the shortest way out is taken. */
const DEPTH = 9;

const round = (n: number) => String(Math.round(n * 100) / 100);
const within = (r: Random, opts: DSNodeTypeOpts | null, low: number, high: number): number => {
  const range = opts?.type === 'Range' ? opts : null;
  return r.between(
    Math.max(low, range?.min ?? low),
    Math.min(high, Math.max(range?.max ?? high, range?.min ?? low)),
  );
};

type Make = (r: Random, opts: DSNodeTypeOpts | null) => string;
const length: Make = (r, o) => {
  const unit = r.pick(LENGTHS)!;
  const scale = /^(px|pt)$/.test(unit)
    ? 90
    : /^(in|cm)$/.test(unit)
      ? 1
      : /^(mm|q|pc)$/.test(unit)
        ? 9
        : /^[vsld]?.*(vw|vh|vi|vb|vmin|vmax)$|^cq/.test(unit)
          ? 20
          : 4;
  return `${round(within(r, o, -scale, scale))}${unit}`;
};
const percentage: Make = (r, o) => `${round(within(r, o, -40, 140))}%`;
/** What no grammar says further. */
const TERMINALS: Record<string, Make> = {
  length,
  percentage,
  'length-percentage': (r, o) => {
    const kind = r.next();
    if (kind < 0.4) return length(r, o);
    if (kind < 0.75) return percentage(r, o);
    return `calc(${percentage(r, null)} ${r.next() < 0.5 ? '+' : '-'} ${length(r, o)})`;
  },
  number: (r, o) => round(within(r, o, -3, 9)),
  integer: (r, o) => String(Math.round(within(r, o, -4, 9))),
  angle: (r) => r.pick(['40deg', '-90deg', '0.3turn', '1.2rad', '120grad'])!,
  time: (r, o) => `${round(within(r, o, 0.1, 5))}s`,
  resolution: (r) => r.pick(['1dppx', '2dppx', '120dpi'])!,
  flex: (r) => `${round(r.between(0.5, 3))}fr`,
  ratio: (r) => r.pick(['1', '16 / 9', '4 / 3'])!,
  color: (r) => r.pick(COLORS)!,
  string: (r) => r.pick(['"a"', '"bc"'])!,
  'custom-ident': (r) => r.pick(['one', 'two', 'three'])!,
  'dashed-ident': (r) => r.pick(['--one', '--two'])!,
  ident: (r) => r.pick(['one', 'two'])!,
  'custom-property-name': (r) => r.pick(['--one', '--two'])!,
  url: (r) => r.pick(['url("#one")', 'url("#two")'])!,
  image: (r) => r.pick(['linear-gradient(red, blue)', 'linear-gradient(90deg, teal, gold 40%)', 'none'])!,
  'easing-function': (r) => r.pick(['linear', 'ease-in', 'steps(3)', 'cubic-bezier(0.2, 0.4, 0.6, 1)'])!,
  position: (r) => r.pick(['left', '20% 40px', 'right 10px bottom 20%', 'center', '10px'])!,
  'font-family-name': (r) => r.pick(['serif', '"Liberation Sans"'])!,
  'family-name': (r) => r.pick(['"Liberation Serif"', '"Liberation Sans"'])!,
  'svg-path': () => '"M0 0L9 9"',
  'opentype-tag': (r) => r.pick(['"wght"', '"smcp"', '"kern"'])!,
};

/** Null where the grammar asks for what is not made here. */
function make(node: DSNode, r: Random, depth: number): string | null {
  switch (node.type) {
    case 'Keyword':
      return node.name;
    case 'Token':
      return node.value;
    case 'String':
      return node.value;
    case 'Comma':
      return ',';
    case 'Function':
      return `${node.name}(`;
    case 'Property':
      return ofSyntax(PROPERTIES.get(node.name)?.syntax, r, depth);
    case 'Type': {
      const name = node.name.replace(/\(\)$/, '');
      const terminal = TERMINALS[node.name];
      if (terminal) return terminal(r, node.opts);
      const syntax = (node.name.endsWith('()') ? FUNCTIONS.get(node.name) : TYPES.get(name))?.syntax;
      return ofSyntax(syntax, r, depth);
    }
    case 'Multiplier': {
      const most = Math.min(node.max || 4, Math.max(node.min, 3));
      const count = depth > DEPTH ? node.min : Math.round(r.between(node.min, most));
      const parts: string[] = [];
      for (let i = 0; i < count; i++) {
        const part = make(node.term, r, depth + 1);
        if (part === null) return null;
        parts.push(part);
      }
      return parts.join(node.comma ? ', ' : ' ');
    }
    case 'Group':
      return ofGroup(node.terms, node.combinator, r, depth);
    default:
      return null;
  }
}

function ofGroup(terms: readonly DSNode[], combinator: string, r: Random, depth: number): string | null {
  if (combinator === '|') {
    for (let tries = 0; tries < 4; tries++) {
      const made = make(depth > DEPTH ? terms[0]! : r.pick(terms)!, r, depth + 1);
      if (made !== null) return made;
    }
    return null;
  }
  let wanted = [...terms];
  if (combinator === '||') {
    wanted = terms.filter(() => r.next() < 0.6);
    if (wanted.length === 0) wanted = [r.pick(terms)!];
  }
  const parts = wanted.map((t) => make(t, r, depth + 1));
  return parts.some((p) => p === null) ? null : parts.filter(Boolean).join(' ');
}

function ofSyntax(syntax: string | undefined, r: Random, depth: number): string | null {
  if (!syntax || depth > 3 * DEPTH) return null;
  try {
    return make(definitionSyntax.parse(syntax), r, depth + 1);
  } catch {
    return null;
  }
}

/** The alternatives of a grammar, through the types that stand alone in one. */
function listAlternatives(node: DSNode, depth = 0): DSNode[] {
  if (depth > 4) return [node];
  if (node.type === 'Group' && (node.combinator === '|' || node.terms.length === 1))
    return node.terms.flatMap((t) => listAlternatives(t, depth + 1));
  const syntax =
    node.type === 'Type' && !TERMINALS[node.name]
      ? (node.name.endsWith('()') ? FUNCTIONS.get(node.name) : TYPES.get(node.name))?.syntax
      : node.type === 'Property'
        ? PROPERTIES.get(node.name)?.syntax
        : undefined;
  if (!syntax) return [node];
  try {
    return listAlternatives(definitionSyntax.parse(syntax), depth + 1);
  } catch {
    return [node];
  }
}

/** Where browsers have another grammar than the newest draft. */
const AS_SHIPPED: Record<string, string> = {
  'box-shadow': 'none | <shadow># | <shadow> , <shadow>',
  '-webkit-box-shadow': 'none | <shadow>#',
  'vertical-align':
    'baseline | sub | super | text-top | text-bottom | middle | top | bottom | <length-percentage>',
  'stroke-width': '<length-percentage> | <number>',
  d: 'none | path( "M0 0L9 9" ) | path( "M3 2L5 40" ) | path( "M0 0C1 2 3 4 5 6" )',
  'text-overflow': 'clip | ellipsis',
  clip: 'auto | rect( <length> , <length> , <length> , <length> )',
  size: 'auto',
};

/** Values of a property, `each` for every alternative of its grammar; some may not be understood by a browser. */
export function makeValues(property: string, r: Random, each: number): string[][] {
  const syntax = AS_SHIPPED[property] ?? PROPERTIES.get(property)?.syntax;
  if (!syntax) return [];
  let alternatives: DSNode[];
  try {
    alternatives = listAlternatives(definitionSyntax.parse(syntax));
  } catch {
    return [];
  }
  return alternatives.map((a) => {
    const made = new Set<string>();
    for (let i = 0; i < 2 * each && made.size < each; i++) {
      const value = make(a, r, 0);
      if (value !== null && value.length < 400) made.add(value);
    }
    return [...made];
  });
}
