/** Which declaration wins on an element (CSS Cascading 5, §6.1), with custom properties put in (CSS Variables 1, §3). */
import type { Element } from 'domhandler';
import { amongSiblings, findParent } from '../source/elements.ts';
import type { PageElements } from '../source/elements.ts';
import type { ReadDeclaration, ReadRule, ReadRules } from './rules.ts';
import { compareWeights } from '../../format/index.ts';
import type { Specificity } from '../../format/index.ts';
import { expand } from '../animations/shorthand.ts';

/** What holds while the page is looked at: media conditions, and whether the reader wants reduced motion. */
export interface Environment {
  queries: ReadonlySet<string>;
  reducedMotion: boolean;
}

export interface Winner {
  value: string;
  declaration: ReadDeclaration;
  rule: ReadRule;
  /** values that this one overrides, newest first */
  over: Winner | null;
}

interface Matching {
  rule: ReadRule;
  weight: Specificity;
  order: number;
}

const CSS_WIDE = /^(initial|unset)$/i;
const MAX_LONG = 20_000;

export class Cascade {
  private readonly byElement = new Map<Element, Matching[]>();
  private readonly variables = new Map<string, Map<Element, Map<string, string>>>();
  /** rules whose selectors find nothing in the source, such as those for elements that a script makes */
  readonly unmatched: ReadRule[] = [];
  readonly findElements = new Map<ReadRule, readonly Element[]>();

  constructor(
    private readonly read: ReadRules,
    elements: PageElements,
  ) {
    read.rules.forEach((rule, order) => {
      const found = new Map<Element, Specificity>();
      if (rule.inline) found.set(rule.inline, [0, 0, 0]);
      for (const s of rule.selectors) {
        if (s.obstacle) continue;
        for (const e of elements.all(s.text) ?? []) {
          const known = found.get(e);
          if (!known || compareWeights(s.weight, known) > 0) found.set(e, s.weight);
        }
      }
      this.findElements.set(rule, [...found.keys()]);
      if (found.size === 0) this.unmatched.push(rule);
      for (const [e, weight] of found) {
        const list = this.byElement.get(e);
        const matching = { rule, weight, order };
        list ? list.push(matching) : this.byElement.set(e, [matching]);
      }
    });
  }

  listRules(element: Element): readonly ReadRule[] {
    return (this.byElement.get(element) ?? []).map((m) => m.rule);
  }

  /** Longhands that an element has declared, with what they win over. */
  declared(element: Element, env: Environment, wanted: (property: string) => boolean): Map<string, Winner> {
    const won = new Map<string, Winner>();
    for (const { rule, declaration } of this.ordered(element, env)) {
      if (!wanted(declaration.property)) continue;
      const text = this.substituted(declaration.value, element, env);
      const longhands = text === null ? null : expand(declaration.property, text);
      if (!longhands) continue;
      for (const [property, value] of Object.entries(longhands))
        won.set(property, { value, declaration, rule, over: won.get(property) ?? null });
    }
    for (const [property, winner] of won) if (CSS_WIDE.test(winner.value)) won.delete(property);
    return won;
  }

  /** From weakest to strongest. */
  private ordered(element: Element, env: Environment): { rule: ReadRule; declaration: ReadDeclaration }[] {
    const rows = (this.byElement.get(element) ?? [])
      .filter(({ rule }) => holds(rule, env))
      .flatMap((m) => m.rule.declarations.map((declaration, i) => ({ ...m, declaration, i })));
    return rows.sort((a, b) => {
      const [p, q] = [a.declaration.important, b.declaration.important];
      if (p !== q) return p ? 1 : -1;
      const inline = Number(a.rule.inline !== null) - Number(b.rule.inline !== null);
      if (inline) return inline;
      const layers = a.rule.layer - b.rule.layer;
      if (layers) return p ? -layers : layers;
      return compareWeights(a.weight, b.weight) || a.order - b.order || a.i - b.i;
    });
  }

  /** Custom properties as an element has them, inherited ones too. */
  private readCustom(element: Element, env: Environment): Map<string, string> {
    const key = `${env.reducedMotion} ${[...env.queries].join('|')}`;
    const known = this.variables.get(key) ?? new Map<Element, Map<string, string>>();
    this.variables.set(key, known);
    const made = known.get(element);
    if (made) return made;
    const parent = findParent(element);
    const out = new Map<string, string>();
    known.set(element, out);
    if (parent)
      for (const [name, value] of this.readCustom(parent, env))
        if (this.read.registered.get(name)?.inherits !== false) out.set(name, value);
    const own = new Map<string, string>();
    for (const { declaration: d } of this.ordered(element, env))
      if (d.property.startsWith('--')) own.set(d.property, d.value);
    const inherited = new Map(out);
    const resolve = (name: string, trail: readonly string[]): string | null => {
      const text = own.get(name);
      if (text === undefined) return inherited.get(name) ?? null;
      if (trail.includes(name)) return null;
      return put(text, (n) => resolve(n, [...trail, name]), element);
    };
    for (const name of own.keys()) {
      const value = resolve(name, []);
      value === null ? out.delete(name) : out.set(name, value);
    }
    return out;
  }

  /** A value with `var()` and the element's place among its siblings put in; null where one of them is missing. */
  substituted(text: string, element: Element, env: Environment): string | null {
    if (!/\b(var|sibling-index|sibling-count)\(/i.test(text)) return text;
    const custom = this.readCustom(element, env);
    return put(text, (name) => custom.get(name) ?? this.read.registered.get(name)?.initial ?? null, element);
  }

  /** A custom property that the page does not register with `@property`. */
  isUnregistered(name: string): boolean {
    return name.startsWith('--') && !this.read.registered.has(name);
  }
}

export const holds = ({ media }: ReadRule, env: Environment): boolean =>
  !media.never &&
  media.obstacle === null &&
  (media.reducedMotion === null || media.reducedMotion === env.reducedMotion) &&
  media.queries.every((q) => env.queries.has(q));

function put(text: string, lookup: (name: string) => string | null, element: Element): string | null {
  let out = text.replace(/\bsibling-(index|count)\(\s*\)/gi, (_, what: string) =>
    String(amongSiblings(element)[what.toLowerCase() as 'index' | 'count']),
  );
  for (let at = out.search(/\bvar\(/i), turns = 0; at >= 0; at = out.search(/\bvar\(/i)) {
    // Values that grow with every turn are a bomb, not a style.
    if (++turns > 200 || out.length > MAX_LONG) return null;
    let depth = 0;
    let end = at + 3;
    for (; end < out.length; end++) {
      if (out[end] === '(') depth++;
      else if (out[end] === ')' && --depth === 0) break;
    }
    const inner = out.slice(at + 4, end);
    const comma = inner.indexOf(',');
    const name = (comma < 0 ? inner : inner.slice(0, comma)).trim();
    const value = lookup(name) ?? (comma < 0 ? null : inner.slice(comma + 1).trim());
    if (value === null) return null;
    out = out.slice(0, at) + value + out.slice(end + 1);
  }
  return out;
}
