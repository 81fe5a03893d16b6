/** Style rules as data: what a selector declares. Text is made of them last, so that what is said already can be left out. */
import { isAnimationList, writeAnimations } from './animation-lists.ts';

/** Property → value. Lists of animations are lists of their entries, one longhand each. */
export type Declarations = Readonly<Record<string, string | readonly string[]>>;

export interface StyleRule {
  selector: string;
  /** an at-rule around it */
  within?: string;
  set: Declarations;
  /** what earlier rules say of the same elements: only what differs is written */
  over?: Declarations;
}

export const indent = (css: string, by: string): string => css.replace(/^(?=.)/gm, by);

/** Its declarations as text, one a line; none where everything is said already. */
export const declarationLines = ({ set, over = {} }: Pick<StyleRule, 'set' | 'over'>): string[] => [
  ...Object.entries(set).flatMap(([property, value]) =>
    isAnimationList(property) || over[property] === value ? [] : [`${property}: ${String(value)};`],
  ),
  ...writeAnimations(set, over).lines,
];

/** What of a rule is written. */
export const declaredBy = ({ set, over = {} }: Pick<StyleRule, 'set' | 'over'>): Declarations => {
  const lists = new Set<string>(writeAnimations(set, over).sets);
  return Object.fromEntries(
    Object.entries(set).filter(([p, value]) => (isAnimationList(p) ? lists.has(p) : over[p] !== value)),
  );
};

/** The rule as text; empty where it has nothing to say. */
export function ruleText({ selector, within, ...declared }: StyleRule): string {
  const lines = declarationLines(declared);
  if (lines.length === 0) return '';
  const text = `${selector} {\n${lines.map((l) => `  ${l}`).join('\n')}\n}`;
  return within === undefined ? text : `${within} {\n${indent(text, '  ')}\n}`;
}

export const rulesText = (styles: readonly StyleRule[]): string =>
  styles.map(ruleText).filter(Boolean).join('\n');
