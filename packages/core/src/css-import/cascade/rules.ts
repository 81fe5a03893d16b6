/** Rules of a page's sheets, flat: nesting resolved, conditions gathered, layers ranked. */
import type * as postcss from 'postcss';
import type { Element } from 'domhandler';
import { ALWAYS, readMedia, supportsHolds, within } from './conditions.ts';
import type { MediaRead } from './conditions.ts';
import { Layers } from './layers.ts';
import { readSelectors, splitTop, unnested } from '../source/selector.ts';
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
}

const DEEPEST = 32;

export function readRules(sheets: readonly Sheet[]): ReadRules {
  const out: ReadRules = { rules: [], keyframes: [], registered: new Map(), unsupported: [] };
  const layers = new Layers();
  const toLayer = new Map<ReadRule | ReadKeyframes, string>();

  const findPlace = (sheet: Sheet, node: postcss.Node): Place =>
    sheet.lines.place(
      sheet.offset + (node.source?.start?.offset ?? 0),
      sheet.offset + (node.source?.end?.offset ?? node.source?.start?.offset ?? 0),
    );

  const findDeclaration = (sheet: Sheet, d: postcss.Declaration): ReadDeclaration => ({
    property: d.prop.startsWith('--') ? d.prop : d.prop.toLowerCase().replace(/^-webkit-(?=animation)/, ''),
    value: d.value.replace(/\/\*[\s\S]*?\*\//g, ' ').trim(),
    important: d.important === true,
    place: findPlace(sheet, d),
    node: d,
    sheet,
  });

  const put = (node: postcss.Container, c: Context, selectors: readonly string[], inline: Element | null) => {
    const declarations = (node.nodes ?? [])
      .filter((n): n is postcss.Declaration => n.type === 'decl' && RELEVANT.test(n.prop))
      .map((d) => findDeclaration(c.sheet, d));
    if (declarations.length === 0) return;
    const place = findPlace(c.sheet, node);
    const parsed = inline ? [] : selectors.flatMap((s) => readSelectors(s) ?? []);
    if (!inline && parsed.length < selectors.length) {
      if (declarations.some((d) => moves(d.property)))
        out.unsupported.push({
          place,
          what: shortened(selectors.join(', ')),
          reason: 'this selector could not be understood',
        });
      return;
    }
    const rule: ReadRule = { selectors: parsed, inline, media: c.media, layer: 0, declarations, place };
    toLayer.set(rule, c.layer);
    out.rules.push(rule);
  };

  const visit = (nodes: readonly postcss.ChildNode[], c: Context, depth: number): void => {
    if (depth > DEEPEST) return;
    for (const node of nodes) {
      if (node.type === 'rule') {
        const text = node.selector.replace(/\/\*[\s\S]*?\*\//g, ' ').trim();
        const own = c.selectors ? unnested(text, c.selectors) : splitTop(text);
        if (!own) {
          out.unsupported.push({
            place: findPlace(c.sheet, node),
            what: shortened(text),
            reason: 'this selector could not be understood',
          });
          continue;
        }
        put(node, c, own, null);
        visit(node.nodes ?? [], { ...c, selectors: own }, depth + 1);
      } else if (node.type === 'atrule') at(node, c, depth);
    }
  };

  function at(node: postcss.AtRule, c: Context, depth: number): void {
    const name = node.name.toLowerCase();
    const params = node.params.replace(/\/\*[\s\S]*?\*\//g, ' ').trim();
    const inside = (next: Partial<Context>) => {
      const deeper = { ...c, ...next };
      // Declarations right inside a nested condition belong to the rule around it.
      if (c.selectors) put(node, deeper, c.selectors, null);
      visit(node.nodes ?? [], deeper, depth + 1);
    };
    switch (name) {
      case 'media':
        return inside({ media: within(c.media, readMedia(params)) });
      case 'supports': {
        const holds = supportsHolds(params);
        if (holds === false) return;
        const obstacle = holds === null ? `it depends on “@supports ${shortened(params, 60)}”` : null;
        return inside({ media: within(c.media, { ...ALWAYS, obstacle }) });
      }
      case 'layer':
        if (node.nodes) return inside({ layer: layers.named(c.layer, params) });
        for (const one of params.split(',')) layers.named(c.layer, one);
        return;
      case 'keyframes':
      case '-webkit-keyframes': {
        const frames: ReadKeyframes = {
          name: params.replace(/^["']|["']$/g, ''),
          media: c.media,
          layer: 0,
          keyframes: (node.nodes ?? []).flatMap((n) =>
            n.type === 'rule'
              ? [
                  {
                    selectors: n.selector.split(',').map((s) => s.trim().toLowerCase()),
                    declarations: (n.nodes ?? []).flatMap((d) =>
                      d.type === 'decl' ? [findDeclaration(c.sheet, d)] : [],
                    ),
                  },
                ]
              : [],
          ),
          place: findPlace(c.sheet, node),
          node,
          sheet: c.sheet,
        };
        toLayer.set(frames, c.layer);
        out.keyframes.push(frames);
        return;
      }
      case 'property': {
        const of = (prop: string) =>
          node.nodes?.find((n): n is postcss.Declaration => n.type === 'decl' && n.prop === prop)?.value ??
          null;
        out.registered.set(params, {
          name: params,
          syntax: (of('syntax') ?? '*').replace(/^["']|["']$/g, ''),
          inherits: of('inherits') !== 'false',
          initial: of('initial-value'),
          node,
          sheet: c.sheet,
        });
        return;
      }
      case 'container':
      case 'scope':
      case 'document':
      case '-moz-document':
        return inside({
          media: within(c.media, {
            ...ALWAYS,
            obstacle: `it is inside “@${name} ${shortened(params, 60)}”`,
          }),
        });
      default:
        // Starting styles, page boxes, fonts, functions: nothing that the scroll moves.
        return;
    }
  }

  for (const sheet of sheets) {
    let media = ALWAYS;
    let layer = '';
    for (const { name, params } of sheet.around) {
      if (name === 'media') media = within(media, readMedia(params));
      else if (name === 'layer') layer = layers.named(layer, params);
      else {
        const holds = supportsHolds(params);
        media = within(media, {
          ...ALWAYS,
          never: holds === false,
          obstacle: holds === null ? `it depends on “supports${shortened(params, 60)}”` : null,
        });
      }
    }
    const context: Context = { sheet, selectors: null, media, layer };
    if (sheet.inline) put(sheet.root, context, [], sheet.inline);
    else visit(sheet.root.nodes ?? [], context, 0);
  }
  const ranks = layers.ranks();
  for (const [one, layer] of toLayer) one.layer = ranks.get(layer) ?? ranks.size;
  return out;
}
