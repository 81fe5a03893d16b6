/** Which value type an animatable property has, and its initial value. A new property is one line here. */
import * as csstree from 'css-tree';
import { customSyntax, isCustomProperty } from './custom.ts';
import { angle } from './types/angle.ts';
import { color } from './types/color.ts';
import { dashes } from './types/dashes.ts';
import { filter } from './types/filter.ts';
import { distance, length, size } from './types/length.ts';
import { lineHeight } from './types/line-height.ts';
import { integer, number, opacity } from './types/number.ts';
import { corner, layered, radii, sides } from './types/list.ts';
import { backgroundSize, lengthPercentage, origin, position, radius } from './types/position.ts';
import { rotate } from './types/rotate.ts';
import { boxShadow, textShadow } from './types/shadow.ts';
import { scale } from './types/scale.ts';
import { shape } from './types/shape.ts';
import { transform } from './types/transform.ts';
import { translate } from './types/translate.ts';
import { contentVisibility, display, visibility } from './types/visibility.ts';
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

export const SIDES = [
  ...['top', 'right', 'bottom', 'left'],
  ...['block-start', 'block-end', 'inline-start', 'inline-end'],
] as const;
export const CORNERS = [
  ...['top-left', 'top-right', 'bottom-right', 'bottom-left'],
  ...['start-start', 'start-end', 'end-end', 'end-start'],
] as const;
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
  ['transform-origin', { type: origin, initial: '50% 50%' }],
  ['background-position', { type: layered(position), initial: '0% 0%' }],
  ['mask-position', { type: layered(position), initial: '0% 0%' }],
  ['object-position', { type: position, initial: '50% 50%' }],
  ['background-size', { type: layered(backgroundSize), initial: 'auto' }],
  ['mask-size', { type: layered(backgroundSize), initial: 'auto' }],
  ['offset-distance', { type: lengthPercentage, initial: '0px' }],
  ['color', { type: color, initial: 'black', common: true }],
  ['background-color', { type: color, initial: 'transparent', common: true }],
  ['fill', { type: color, initial: 'black' }],
  ['stroke', { type: color, initial: 'black' }],
  ['stop-color', { type: color, initial: 'black' }],
  ...SIDES.map((side): [string, PropertyFacts] => [
    `border-${side}-color`,
    { type: color, initial: 'black' },
  ]),
  ['text-decoration-color', { type: color, initial: 'black' }],
  ['border-color', { type: sides(color, 4), initial: 'black' }],
  ['box-shadow', { type: boxShadow, initial: 'none' }],
  ['text-shadow', { type: textShadow, initial: 'none' }],
  ['line-height', { type: lineHeight, initial: 'normal' }],
  ['visibility', { type: visibility, initial: 'visible' }],
  ['display', { type: display, initial: 'inline' }],
  ['content-visibility', { type: contentVisibility, initial: 'visible' }],
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
  ['flood-opacity', { type: opacity, initial: '1' }],
  ['stop-opacity', { type: opacity, initial: '1' }],
  ['shape-image-threshold', { type: opacity, initial: '0' }],
  ...lengths(size, '0px', 'width', 'height', 'outline-width', 'column-rule-width'),
  ...lengths(size, '0px', ...SIDES.map((side) => `border-${side}-width`)),
  ...lengths(size, '0px', 'padding-left', 'padding-right', 'padding-top', 'padding-bottom', 'font-size'),
  ['border-radius', { type: radii(radius), initial: '0px' }],
  ...lengths(corner(radius), '0px', ...CORNERS.map((c) => `border-${c}-radius`)),
  ...lengths(sides(size, 4), '0px', 'padding', 'border-width'),
  ...lengths(sides(length, 4), '0px', 'margin', 'inset'),
  ...lengths(sides(length, 2), '0px', 'margin-block', 'margin-inline', 'inset-block', 'inset-inline'),
  ...lengths(sides(size, 2), '0px', 'padding-block', 'padding-inline'),
  ...lengths(length, '0px', 'margin-left', 'margin-right', 'margin-top', 'margin-bottom'),
  ...lengths(length, '0px', 'top', 'bottom', 'left', 'right'),
  ...lengths(length, '0px', 'letter-spacing', 'word-spacing', 'outline-offset'),
]);

/** Facts of a property, or null for one that is not interpolated here. */
export const propertyFacts = (name: string): PropertyFacts | null => PROPERTIES.get(name) ?? null;

/** Facts of a property as these values use it: custom properties are told apart by what they hold. */
export const readFacts = (name: string, values: readonly string[]): PropertyFacts | null =>
  isCustomProperty(name) ? customSyntax(values) : propertyFacts(name);

export const propertyNames = (): string[] => [...PROPERTIES.keys()];

/** Properties without a value type here are written as they stand, and shown as flipping half-way. */
function unknownError(property: string, css: string): string | null {
  const { error } = csstree.lexer.matchProperty(property, css);
  if (!error) return null;
  return error.name === 'SyntaxReferenceError'
    ? `${property} is not a property known here`
    : `“${css}” is not a value of ${property}`;
}

function isParsed(css: string): boolean {
  try {
    csstree.parse(css, {
      context: 'value',
      onParseError: (error) => {
        throw error;
      },
    });
    return !/[;{}]/.test(css);
  } catch {
    return false;
  }
}

/** Says what is wrong with a value for a property, or null. */
export function valueError(property: string, css: string): string | null {
  if (isCustomProperty(property)) return css.trim() === '' ? `${property} needs a value` : null;
  const facts = propertyFacts(property);
  if (!facts) return unknownError(property, css);
  // What custom properties hold is the browser’s to judge.
  if (/\bvar\(\s*--/.test(css)) return isParsed(css) ? null : `“${css}” is not a value of ${property}`;
  return facts.type.accepts(css) || !csstree.lexer.matchProperty(property, css).error
    ? null
    : `“${css}” is not a value of ${property}, for example ${facts.type.example}`;
}
