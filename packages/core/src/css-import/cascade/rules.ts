/** Rules of a page's sheets, flat: nesting resolved, conditions gathered, layers ranked. */
import type * as postcss from 'postcss';
import type { Element } from 'domhandler';
import { ALWAYS, readMedia, supportsHolds, within } from './conditions.ts';
import type { MediaRead } from './conditions.ts';
import { Layers } from './layers.ts';
import { readScope, scoped } from '../source/scope.ts';
import type { Scope } from '../source/scope.ts';
import { readSelectors, unnested } from '../source/selector.ts';
import { splitTop } from '../../text/index.ts';
import type { ReadSelector } from '../source/selector.ts';
import type { Sheet } from '../source/sheets.ts';
import { shortened } from '../source/source.ts';
import type { Place, Unsupported } from '../source/source.ts';

export interface ReadDeclaration {
  property: string;
  value: string;
  important: boolean;
  place: Place;
  node: postcss.Declaration;
  sheet: Sheet;
}

export interface ReadRule {
  selectors: readonly ReadSelector[];
  /** of a style attribute */
  inline: Element | null;
  media: MediaRead;
  /** later layers have higher ranks; rules outside of layers the highest */
  layer: number;
  /** of the layer; empty: none, and one without a name begins with U+0000 */
  layerName: string;
  /** whether it stands inside of another rule */
  isNested: boolean;
  declarations: ReadDeclaration[];
  /** of the rule itself, for telling where it is */
  place: Place;
}

export interface ReadKeyframes {
  name: string;
  media: MediaRead;
  layer: number;
  keyframes: { selectors: string[]; declarations: ReadDeclaration[] }[];
  place: Place;
  node: postcss.AtRule;
  sheet: Sheet;
}

/** A custom property that the page registers. */
export interface Registered {
  name: string;
  syntax: string;
  inherits: boolean;
  initial: string | null;
  node: postcss.AtRule;
  sheet: Sheet;
}

export interface ReadRules {
  rules: ReadRule[];
  keyframes: ReadKeyframes[];
  registered: Map<string, Registered>;
  unsupported: Unsupported[];
}

/** Properties that say what moves, and those that the reading of it depends on. */
const RELEVANT =
  /^(-webkit-)?animation(-|$)|^(view|scroll)-timeline(-|$)|^timeline-|^trigger-scope$|^overflow(-[xy])?$|^position$|^contain$|^scroll-padding|^--/i;
export const moves = (property: string): boolean => /^(-webkit-)?animation(-|$)/i.test(property);
/** What carries timelines for others. */
export const carries = (property: string): boolean =>
  /^(view|scroll)-timeline(-|$)|^timeline-/i.test(property);

export const declaresMotion = (rule: ReadRule): boolean => rule.declarations.some((d) => moves(d.property));
/** It says that something is played, as against how. */
export const namesMotion = (rule: ReadRule): boolean =>
  rule.declarations.some(
    (d) => /^animation(-name|-timeline)?$/.test(d.property) && !/^(none|initial|unset)$/i.test(d.value),
  );

interface Context {
  sheet: Sheet;
  selectors: readonly string[] | null;
  media: MediaRead;
  layer: string;
  scope: Scope | null;
}

const DEEPEST = 32;

const withoutComments = (css: string) => css.replace(/\/\*[\s\S]*?\*\//g, ' ').trim();
const withoutQuotes = (css: string) => css.replace(/^["']|["']$/g, '');

const findPlace = (sheet: Sheet, node: postcss.Node): Place =>
  sheet.lines.place(
    sheet.offset + (node.source?.start?.offset ?? 0),
    sheet.offset + (node.source?.end?.offset ?? node.source?.start?.offset ?? 0),
  );

const readDeclaration = (sheet: Sheet, d: postcss.Declaration): ReadDeclaration => ({
  property: d.prop.startsWith('--') ? d.prop : d.prop.toLowerCase().replace(/^-webkit-(?=animation)/, ''),
  value: withoutComments(d.value),
  important: d.important === true,
  place: findPlace(sheet, d),
  node: d,
  sheet,
});

const isDeclaration = (n: postcss.ChildNode): n is postcss.Declaration => n.type === 'decl';

/** An at-rule with what holds around it. */
interface Around {
  node: postcss.AtRule;
  name: string;
  params: string;
  context: Context;
  /** goes on inside, under what holds there too */
  inside(next: Partial<Context>): void;
}

/** Conditions whose state cannot be told. */
const untold = ({ name, params, context, inside }: Around) =>
  inside({
    media: within(context.media, {
      ...ALWAYS,
      obstacle: `it is inside “@${name} ${shortened(params, 60)}”`,
    }),
  });

/** At-rules by name. The others (starting styles, page boxes, fonts, functions) hold nothing that the scroll moves. */
const AT_RULES: Record<string, (reader: RuleReader, around: Around) => void> = {
  media: (_, { params, context, inside }) => inside({ media: within(context.media, readMedia(params)) }),
  supports(_, { params, context, inside }) {
    const holds = supportsHolds(params);
    if (holds === false) return;
    const obstacle = holds === null ? `it depends on “@supports ${shortened(params, 60)}”` : null;
    inside({ media: within(context.media, { ...ALWAYS, obstacle }) });
  },
  layer({ layers }, { node, params, context, inside }) {
    if (node.nodes) return inside({ layer: layers.named(context.layer, params) });
    for (const one of params.split(',')) layers.named(context.layer, one);
  },
  keyframes: (reader, around) => reader.keyframes(around),
  '-webkit-keyframes': (reader, around) => reader.keyframes(around),
  property: (reader, around) => reader.property(around),
  container: (_, around) => untold(around),
  scope(_, around) {
    const { context, params, inside } = around;
    const scope = context.scope || context.selectors ? null : readScope(params);
    if (scope) inside({ scope });
    else untold(around);
  },
  document: (_, around) => untold(around),
  '-moz-document': (_, around) => untold(around),
};

class RuleReader {
  readonly out: ReadRules = { rules: [], keyframes: [], registered: new Map(), unsupported: [] };
  readonly layers = new Layers();
  private readonly layerOf = new Map<ReadRule | ReadKeyframes, string>();

  sheet(sheet: Sheet): void {
    let media = ALWAYS;
    let layer = '';
    for (const { name, params } of sheet.around) {
      if (name === 'media') media = within(media, readMedia(params));
      else if (name === 'layer') layer = this.layers.named(layer, params);
      else {
        const holds = supportsHolds(params);
        media = within(media, {
          ...ALWAYS,
          never: holds === false,
          obstacle: holds === null ? `it depends on “supports${shortened(params, 60)}”` : null,
        });
      }
    }
    const context: Context = { sheet, selectors: null, media, layer, scope: null };
    if (sheet.inline) this.rule(sheet.root, context, [], sheet.inline);
    else this.nodes(sheet.root.nodes ?? [], context, 0);
  }

  /** Later layers get higher ranks, and what is in none the highest. */
  rankLayers(): ReadRules {
    const ranks = this.layers.ranks();
    for (const [one, layer] of this.layerOf) one.layer = ranks.get(layer) ?? ranks.size;
    return this.out;
  }

  private notUnderstood(place: Place, selector: string): void {
    this.out.unsupported.push({
      place,
      what: shortened(selector),
      reason: 'this selector could not be understood',
    });
  }

  private rule(
    node: postcss.Container,
    c: Context,
    selectors: readonly string[],
    inline: Element | null,
  ): void {
    const declarations = (node.nodes ?? [])
      .filter((n): n is postcss.Declaration => isDeclaration(n) && RELEVANT.test(n.prop))
      .map((d) => readDeclaration(c.sheet, d));
    if (declarations.length === 0) return;
    const place = findPlace(c.sheet, node);
    const parsed = inline ? [] : selectors.flatMap((s) => readSelectors(s) ?? []);
    if (!inline && parsed.length < selectors.length) {
      if (declarations.some((d) => moves(d.property))) this.notUnderstood(place, selectors.join(', '));
      return;
    }
    const { scope } = c;
    const found = scope ? parsed.map((s) => scoped(s, scope)) : parsed;
    const rule: ReadRule = {
      selectors: found,
      inline,
      media: c.media,
      layer: 0,
      layerName: c.layer,
      isNested: c.selectors !== null && c.selectors !== selectors,
      declarations,
      place,
    };
    this.layerOf.set(rule, c.layer);
    this.out.rules.push(rule);
  }

  private nodes(nodes: readonly postcss.ChildNode[], c: Context, depth: number): void {
    if (depth > DEEPEST) return;
    for (const node of nodes) {
      if (node.type === 'atrule') this.atRule(node, c, depth);
      if (node.type !== 'rule') continue;
      const text = withoutComments(node.selector);
      const own = c.selectors ? unnested(text, c.selectors) : splitTop(text);
      if (!own) {
        this.notUnderstood(findPlace(c.sheet, node), text);
        continue;
      }
      this.rule(node, c, own, null);
      this.nodes(node.nodes ?? [], { ...c, selectors: own }, depth + 1);
    }
  }

  private atRule(node: postcss.AtRule, context: Context, depth: number): void {
    const name = node.name.toLowerCase();
    const params = withoutComments(node.params);
    const inside = (next: Partial<Context>) => {
      const deeper = { ...context, ...next };
      // Declarations right inside a nested condition belong to the rule around it.
      if (context.selectors) this.rule(node, deeper, context.selectors, null);
      this.nodes(node.nodes ?? [], deeper, depth + 1);
    };
    if (Object.hasOwn(AT_RULES, name)) AT_RULES[name]?.(this, { node, name, params, context, inside });
  }

  keyframes({ node, params, context: { sheet, media, layer } }: Around): void {
    const frames: ReadKeyframes = {
      name: withoutQuotes(params),
      media,
      layer: 0,
      keyframes: (node.nodes ?? [])
        .filter((n) => n.type === 'rule')
        .map((n) => ({
          selectors: n.selector.split(',').map((s) => s.trim().toLowerCase()),
          declarations: (n.nodes ?? []).filter(isDeclaration).map((d) => readDeclaration(sheet, d)),
        })),
      place: findPlace(sheet, node),
      node,
      sheet,
    };
    this.layerOf.set(frames, layer);
    this.out.keyframes.push(frames);
  }

  property({ node, params, context: { sheet } }: Around): void {
    const descriptor = (name: string) =>
      node.nodes?.filter(isDeclaration).find((n) => n.prop === name)?.value ?? null;
    this.out.registered.set(params, {
      name: params,
      syntax: withoutQuotes(descriptor('syntax') ?? '*'),
      inherits: descriptor('inherits') !== 'false',
      initial: descriptor('initial-value'),
      node,
      sheet,
    });
  }
}

/** Everything that moves, or that motion depends on, in the sheets of a page, in their order. */
export function readRules(sheets: readonly Sheet[]): ReadRules {
  const reader = new RuleReader();
  for (const sheet of sheets) reader.sheet(sheet);
  return reader.rankLayers();
}
