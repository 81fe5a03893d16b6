/** How values of a property become each other, beyond its value type: what is listed of it, and words that stand for numbers. */
import { isCustomProperty } from './custom.ts';
import { readFacts, SIDES } from './property.ts';
import { KINDS } from './property-kinds.data.ts';
import { parts, wholeParts } from './types/parts.ts';
import type { ValueType } from './value-type.ts';

const LINE = { thin: '1px', medium: '3px', thick: '5px' };
/** Words that stand for a number, in the properties where they do (CSS Text 4, §8; Backgrounds 3, §4.3; Fonts 4, §2.2). */
const WORDS: Record<string, Record<string, string>> = {
  'letter-spacing': { normal: '0px' },
  'word-spacing': { normal: '0px' },
  'font-weight': { normal: '400', bold: '700' },
  ...Object.fromEntries(SIDES.map((side) => [`border-${side}-width`, LINE])),
  'column-rule-width': LINE,
  'font-stretch': {
    'ultra-condensed': '50%',
    'extra-condensed': '62.5%',
    condensed: '75%',
    'semi-condensed': '87.5%',
    normal: '100%',
    'semi-expanded': '112.5%',
    expanded: '125%',
    'extra-expanded': '150%',
    'ultra-expanded': '200%',
  },
  'outline-width': LINE,
};

/** A value as it mixes: a word that stands for a number is that number. */
export const inNumbers = (property: string, css: string): string =>
  WORDS[property]?.[css.trim().toLowerCase()] ?? css;

/** Listed as one thing, and Chromium does another: pictures fade over, scroll insets flip, and one that is hidden is so only at its end. */
const OTHER_IN_BROWSERS =
  /^(scroll-(margin|padding)-|scrollbar-color$|interest-delay|math-depth$|column-rule-color$|text-size-adjust$|view-timeline-|scroll-timeline-|initial-letter$|hyphenate-limit|mask$|(background|mask|list-style)-image$|border-image(-source)?$|list-style$|content$|cursor$)/;
const MORE: readonly (readonly [string, Kind])[] = [
  ['stroke-miterlimit', 'parts'],
  // A shorthand by definition, and one property in browsers.
  ['text-align', 'discrete'],
  ...['font-stretch', 'font-variation-settings', 'vertical-align', 'd', 'offset-path'].map(
    (p) => [p, 'parts'] as const,
  ),
  // Shorthands, which the browser writes in one way.
  ...['border', 'border-top', 'border-right', 'border-bottom', 'border-left', 'gap'].map(
    (p) => [p, 'parts'] as const,
  ),
  ['background', 'parts'],
];
type Kind = keyof typeof KINDS;
const listed = new Map<string, Kind>([
  ...(['discrete', 'parts', 'integers'] as const).flatMap((kind) =>
    KINDS[kind].map((name) => [name, kind] as const),
  ),
  ...MORE,
]);

/** Values whose meaning hangs on the element’s parent: its colour, and its font. */
const OF_THE_PARENT: Record<string, RegExp> = {
  color: /currentcolor/i,
  'font-size': /%|\d(em|ex|ch|cap|ic|lh)\b|^[a-z-]+$/i,
};
const isOfParent = (property: string, css: string): boolean => OF_THE_PARENT[property]?.test(css) ?? false;
/** Values that are another thing at every place: nothing is said of them, whatever they are just now. */
const isOfPlace = (property: string, css: string): boolean =>
  /\b(anchor(-size)?|calc-size)\(/i.test(css) || (property === 'font-size' && /^math$/i.test(css));

/** A bare number is a multiple there, of a border’s width or of a space’s, and a length is none. */
const NUMBER_OR_LENGTH = /^(border-image(-outset|-width)?|tab-size)$/;
const hasUnit = (css: string): boolean => /\d[a-z%]/i.test(css);
/** A length below nothing: browsers mix with what it was before they cut it off, and only tell of the latter. */
const isCutOff = (css: string, computed: string): boolean =>
  css !== computed && /\(.*-/.test(css) && parseFloat(computed) === 0;

/** Whether nothing can be said of what is between two values. `computed`: the same as the browser has them. */
export const isUnclearBetween = (
  property: string,
  values: readonly [from: string, to: string],
  computed: readonly [from: string, to: string],
): boolean =>
  values.some((css, i) => isOfPlace(property, css) || isCutOff(css, computed[i] ?? css)) ||
  computed.some((css) => isOfParent(property, css)) ||
  (NUMBER_OR_LENGTH.test(property) && hasUnit(values[0]) !== hasUnit(values[1]));

/** Where words stand for colours, places or steps of a font, and mix with what is beside them. */
export const wordsMix = (property: string): boolean =>
  /color$|^(offset|font)-|-origin$|-position$|^(border(-[a-z]+)?|background)$/.test(property);

/** What is known of properties without a type of their own: those that flip, and those that mix part by part. */
export function howItMixes(name: string): { discrete: boolean; type: ValueType | null } {
  const kind = OTHER_IN_BROWSERS.test(name) ? undefined : listed.get(name);
  return {
    discrete: kind === 'discrete' || (isCustomProperty(name) && kind === undefined),
    type: kind === 'parts' ? parts : kind === 'integers' ? wholeParts : null,
  };
}

/** Whether a value is read here, without asking a browser: of `values`, all that the property takes. */
export function isReadable(property: string, css: string, values: readonly string[]): boolean {
  if (/^(auto|none|normal)$/i.test(css)) return true;
  const type = readFacts(property, values)?.type;
  if (!type) return howItMixes(property).discrete;
  return type.accepts(inNumbers(property, css)) && !isOfParent(property, css);
}
