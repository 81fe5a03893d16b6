export * from './easing-definition.ts';
export * from './easing.ts';
export * from './value-type.ts';
export * from './property.ts';
export * from './mixing.ts';
export * from './property-groups.ts';
export * from './custom.ts';
export * from './track.ts';
export * from './split.ts';
export * from './shape.ts';
export { isLegacyColor } from './types/color.ts';
export { transformMatrix } from './types/transform.ts';
export { IDENTITY, multiply, translation } from './matrix.ts';
export type { Matrix } from './matrix.ts';
export * from './unroll.ts';
export { placeDrawnPath } from './drawn-path.ts';
export type { DrawnPath } from './drawn-path.ts';
export { absolutePath, listShapePoints, moveShapePoint } from './shape-points.ts';
export type { ShapeBox, ShapePoint } from './shape-points.ts';
export { VIDEO } from './video.ts';
export {
  MAX_PICTURES,
  parseSequence,
  pictureAddress,
  SEQUENCE,
  sequenceFrom,
  sequenceText,
} from './sequence.ts';
export type { Sequence } from './sequence.ts';
