export * from './easing-definition.ts';
export * from './easing.ts';
export * from './value-type.ts';
export * from './property.ts';
export * from './custom.ts';
export * from './track.ts';
export * from './split.ts';
export * from './shape.ts';
export { transformMatrix } from './types/transform.ts';
