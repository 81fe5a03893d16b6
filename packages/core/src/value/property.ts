/** Which value type an animatable property has, and its initial value. A new property is one line here. */
import { angle } from './types/angle.ts';
import { color } from './types/color.ts';
import { filter } from './types/filter.ts';
import { length, lengthOfHeight, size, sizeOfHeight } from './types/length.ts';
import { integer, number, opacity } from './types/number.ts';
import { rotate } from './types/rotate.ts';
import { scale } from './types/scale.ts';
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
  ['stroke-dashoffset', { type: length, initial: '0' }],
  ...lengths(size, '0px', 'width', 'padding-left', 'padding-right', 'border-radius'),
  ...lengths(length, '0px', 'margin-left', 'margin-right', 'left', 'right'),
  ...lengths(length, '0px', 'letter-spacing', 'word-spacing', 'outline-offset'),
  ...lengths(sizeOfHeight, '0px', 'height'),
  ...lengths(lengthOfHeight, '0px', 'top', 'bottom'),
]);

/** Facts of a property, or null for one that is not interpolated here. Unregistered custom properties flip at 50 %. */
export const propertyFacts = (name: string): PropertyFacts | null => PROPERTIES.get(name) ?? null;
export const propertyNames = (): string[] => [...PROPERTIES.keys()];
export const isCustomProperty = (name: string): boolean => /^--[\w-]+$/.test(name);

/** Says what is wrong with a value for a property, or null. */
export function valueError(property: string, css: string): string | null {
  if (isCustomProperty(property)) return css.trim() === '' ? `${property} needs a value` : null;
  const facts = propertyFacts(property);
  if (!facts) return `${property} cannot be animated here yet`;
  return facts.type.accepts(css)
    ? null
    : `“${css}” is not a value of ${property}, for example ${facts.type.example}`;
}
