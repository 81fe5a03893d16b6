/** Which value type an animatable property has, and its initial value. A new property is one line here. */
import * as csstree from 'css-tree';
import { customSyntax, isCustomProperty } from './custom.ts';
import { angle } from './types/angle.ts';
import { color } from './types/color.ts';
import { dashes } from './types/dashes.ts';
import { filter } from './types/filter.ts';
import { distance, length, lengthOfHeight, size, sizeOfHeight } from './types/length.ts';
import { integer, number, opacity } from './types/number.ts';
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
  lengthOfHeight,
  size,
  sizeOfHeight,
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
  ...lengths(size, '0px', 'width', 'padding-left', 'padding-right', 'border-radius'),
  ...lengths(
    size,
    '0px',
    'padding-top',
    'padding-bottom',
    'font-size',
    'border-top-width',
    'border-bottom-width',
  ),
  ...lengths(length, '0px', 'margin-left', 'margin-right', 'margin-top', 'margin-bottom', 'left', 'right'),
  ...lengths(length, '0px', 'letter-spacing', 'word-spacing', 'outline-offset'),
  ...lengths(sizeOfHeight, '0px', 'height'),
  ...lengths(lengthOfHeight, '0px', 'top', 'bottom'),
]);

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
