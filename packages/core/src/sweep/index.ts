export * from './sizes.ts';
export { EVEN, LayoutField } from './field.ts';
export { apartBy, layoutBetween, sameStructure } from './mix.ts';
export * from './sweep.ts';
export * from './ways.ts';
