/** Which value type an animatable property has, and its initial value. A new property is one line here. */
import * as csstree from 'css-tree';
import { customSyntax, isCustomProperty } from './custom.ts';
import { angle } from './types/angle.ts';
import { color } from './types/color.ts';
import { dashes } from './types/dashes.ts';
import { filter } from './types/filter.ts';
import { distance, length, size } from './types/length.ts';
import { integer, number, opacity } from './types/number.ts';
import { KINDS } from './property-kinds.data.ts';
import { parts, wholeParts } from './types/parts.ts';
import { backgroundSize, lengthPercentage, position } from './types/position.ts';
import { rotate } from './types/rotate.ts';
import { scale } from './types/scale.ts';
import { shape } from './types/shape.ts';
import { transform } from './types/transform.ts';
import { translate } from './types/translate.ts';
import type { ValueType } from './value-type.ts';

export const VALUE_TYPES: readonly ValueType[] = [
  number,
  opacity,
  integer,
  length,
  size,
  angle,
  translate,
  scale,
  rotate,
  filter,
  color,
  transform,
  shape,
  position,
  backgroundSize,
  lengthPercentage,
  distance,
  dashes,
];

export interface PropertyFacts {
  type: ValueType;
  initial: string;
  /** the interface offers it first */
  common?: boolean;
}

const lengths = (type: ValueType, initial: string, ...names: string[]): [string, PropertyFacts][] =>
  names.map((n) => [n, { type, initial }]);

const PROPERTIES = new Map<string, PropertyFacts>([
  ['opacity', { type: opacity, initial: '1', common: true }],
  ['translate', { type: translate, initial: 'none', common: true }],
  ['scale', { type: scale, initial: 'none', common: true }],
  ['rotate', { type: rotate, initial: 'none', common: true }],
  ['filter', { type: filter, initial: 'none', common: true }],
  ['transform', { type: transform, initial: 'none', common: true }],
  ['clip-path', { type: shape, initial: 'none', common: true }],
  ['perspective', { type: distance, initial: 'none' }],
  ['perspective-origin', { type: position, initial: '50% 50%' }],
  ['transform-origin', { type: position, initial: '50% 50%' }],
  ['background-position', { type: position, initial: '0% 0%' }],
  ['mask-position', { type: position, initial: '0% 0%' }],
  ['object-position', { type: position, initial: '50% 50%' }],
  ['background-size', { type: backgroundSize, initial: 'auto' }],
  ['mask-size', { type: backgroundSize, initial: 'auto' }],
  ['offset-distance', { type: lengthPercentage, initial: '0px' }],
  ['color', { type: color, initial: 'black', common: true }],
  ['background-color', { type: color, initial: 'transparent', common: true }],
  ['fill', { type: color, initial: 'black' }],
  ['stroke', { type: color, initial: 'black' }],
  ['stop-color', { type: color, initial: 'black' }],
  ['border-top-color', { type: color, initial: 'black' }],
  ['border-bottom-color', { type: color, initial: 'black' }],
  ['outline-color', { type: color, initial: 'black' }],
  ['backdrop-filter', { type: filter, initial: 'none' }],
  ['fill-opacity', { type: opacity, initial: '1' }],
  ['stroke-opacity', { type: opacity, initial: '1' }],
  ['flex-grow', { type: number, initial: '0' }],
  ['z-index', { type: integer, initial: 'auto' }],
  ['stroke-dashoffset', { type: length, initial: '0px' }],
  ['stroke-dasharray', { type: dashes, initial: 'none' }],
  ['stroke-width', { type: length, initial: '1px' }],
  ['font-weight', { type: number, initial: '400' }],
  ...lengths(size, '0px', 'width', 'height', 'border-radius', 'border-top-width', 'border-bottom-width'),
  ...lengths(size, '0px', 'padding-left', 'padding-right', 'padding-top', 'padding-bottom', 'font-size'),
  ...lengths(length, '0px', 'margin-left', 'margin-right', 'margin-top', 'margin-bottom'),
  ...lengths(length, '0px', 'top', 'bottom', 'left', 'right'),
  ...lengths(length, '0px', 'letter-spacing', 'word-spacing', 'outline-offset'),
]);

const LINE = { thin: '1px', medium: '3px', thick: '5px' };
/** Words that stand for a number, in the properties where they do (CSS Text 4, §8; Backgrounds 3, §4.3; Fonts 4, §2.2). */
const WORDS: Record<string, Record<string, string>> = {
  'letter-spacing': { normal: '0px' },
  'word-spacing': { normal: '0px' },
  'font-weight': { normal: '400', bold: '700' },
  'border-top-width': LINE,
  'border-right-width': LINE,
  'border-bottom-width': LINE,
  'border-left-width': LINE,
  'outline-width': LINE,
};

/** A value as it mixes: a word that stands for a number is that number. */
export const inNumbers = (property: string, css: string): string =>
  WORDS[property]?.[css.trim().toLowerCase()] ?? css;

/** Listed as one thing, and Chromium does another: pictures fade over, scroll insets flip, and one that is hidden is so only at its end. */
const OTHER_IN_BROWSERS =
  /^(scroll-(margin|padding)-|scrollbar-color$|view-timeline-|scroll-timeline-|visibility$|initial-letter$|(background|mask|border|list-style)(-image(-source)?)$|border-image-source$|content$|cursor$)/;
const MORE: readonly (readonly [string, Kind])[] = [
  ['stroke-miterlimit', 'parts'],
  // A shorthand by definition, and one property in browsers.
  ['text-align', 'discrete'],
];
type Kind = keyof typeof KINDS;
const listed = new Map<string, Kind>([
  ...(['discrete', 'parts', 'integers'] as const).flatMap((kind) =>
    KINDS[kind].map((name) => [name, kind] as const),
  ),
  ...MORE,
]);

/** Values whose meaning hangs on what is around the element: its parent’s colour, and its parent’s font. */
const OF_THE_PARENT: Record<string, RegExp> = {
  color: /currentcolor/i,
  'font-size': /%|\d(em|ex|ch|cap|ic|lh)\b|^[a-z-]+$/i,
};
export const isOfParent = (property: string, css: string): boolean =>
  OF_THE_PARENT[property]?.test(css) ?? false;

/** Where words stand for colours, places or steps of a font, and mix with what is beside them. */
export const wordsMix = (property: string): boolean =>
  /color$|^(offset|font)-|-origin$|-position$/.test(property);

/** What is known of properties without a type of their own: those that flip, and those that mix part by part. */
export function howItMixes(name: string): { discrete: boolean; type: ValueType | null } {
  const kind = OTHER_IN_BROWSERS.test(name) ? undefined : listed.get(name);
  return {
    discrete: kind === 'discrete' || (isCustomProperty(name) && kind === undefined),
    type: kind === 'parts' ? parts : kind === 'integers' ? wholeParts : null,
  };
}

/** Facts of a property, or null for one that is not interpolated here. */
export const propertyFacts = (name: string): PropertyFacts | null => PROPERTIES.get(name) ?? null;

/** Facts of a property as these values use it: custom properties are told apart by what they hold. */
export const readFacts = (name: string, values: readonly string[]): PropertyFacts | null =>
  isCustomProperty(name) ? customSyntax(values) : propertyFacts(name);

export const propertyNames = (): string[] => [...PROPERTIES.keys()];

/** The properties by what people do with them; other words for it are for searching. */
export const PROPERTY_GROUPS: readonly { group: string; words: string; names: readonly string[] }[] = [
  {
    group: 'Move, turn, scale',
    words: 'transform position rotation size 3d depth',
    names: [
      'opacity',
      'translate',
      'scale',
      'rotate',
      'transform',
      'transform-origin',
      'perspective',
      'perspective-origin',
      'offset-distance',
    ],
  },
  {
    group: 'Clip, mask, filter',
    words: 'wipe reveal blur sharpen brightness',
    names: ['clip-path', 'filter', 'backdrop-filter', 'mask-position', 'mask-size'],
  },
  {
    group: 'Colour',
    words: 'color tint',
    names: [
      'color',
      'background-color',
      'border-top-color',
      'border-bottom-color',
      'outline-color',
      'fill',
      'stroke',
      'stop-color',
    ],
  },
  {
    group: 'Drawings',
    words: 'svg line draw stroke path',
    names: ['stroke-dashoffset', 'stroke-dasharray', 'stroke-width', 'stroke-opacity', 'fill-opacity'],
  },
  {
    group: 'Pictures',
    words: 'image background crop pan',
    names: ['object-position', 'background-position', 'background-size'],
  },
  {
    group: 'Text',
    words: 'type font',
    names: ['letter-spacing', 'word-spacing', 'font-weight', 'font-size'],
  },
  {
    group: 'Size and place (costs layout)',
    words: 'box width height margin padding',
    names: [
      ...['width', 'height', 'top', 'bottom', 'left', 'right'],
      ...['margin-top', 'margin-right', 'margin-bottom', 'margin-left'],
      ...['padding-top', 'padding-right', 'padding-bottom', 'padding-left'],
      ...[
        'border-top-width',
        'border-bottom-width',
        'border-radius',
        'outline-offset',
        'flex-grow',
        'z-index',
      ],
    ],
  },
];

/** Where `none` or `auto` stands for nothing to start from: the value of that kind that changes nothing. */
const NEUTRAL: Record<string, string> = {
  translate: '0px 0px',
  scale: '1',
  rotate: '0deg',
  transform: 'translate(0px, 0px)',
  filter: 'blur(0px)',
  'backdrop-filter': 'blur(0px)',
  'clip-path': 'inset(0px)',
  perspective: '900px',
  'z-index': '0',
  'background-size': '100% 100%',
  'mask-size': '100% 100%',
  'stroke-dasharray': '0px',
};

/** A value of a property that changes nothing to begin with: the element’s own, where it is one that can be mixed. */
export function neutralValue(property: string, own?: string): string {
  if (isCustomProperty(property)) return '0';
  const facts = propertyFacts(property);
  const base = own ?? facts?.initial ?? '';
  return /^(none|auto|normal|)$/.test(base) || valueError(property, base)
    ? (NEUTRAL[property] ?? facts?.type.example ?? '0')
    : base;
}

/** Properties without a value type here are written as they stand, and shown as flipping half-way. */
function unknownError(property: string, css: string): string | null {
  const { error } = csstree.lexer.matchProperty(property, css);
  if (!error) return null;
  return error.name === 'SyntaxReferenceError'
    ? `${property} is not a property known here`
    : `“${css}” is not a value of ${property}`;
}

/** Says what is wrong with a value for a property, or null. */
export function valueError(property: string, css: string): string | null {
  if (isCustomProperty(property)) return css.trim() === '' ? `${property} needs a value` : null;
  const facts = propertyFacts(property);
  if (!facts) return unknownError(property, css);
  return facts.type.accepts(css) || !csstree.lexer.matchProperty(property, css).error
    ? null
    : `“${css}” is not a value of ${property}, for example ${facts.type.example}`;
}
