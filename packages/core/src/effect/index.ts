export {
  EFFECTS,
  SHAPE_ORIGIN,
  addFragment,
  composeEffect,
  effectById,
  needsShapeOrigin,
  withFragment,
} from './effect.ts';
export { aim, EFFECT_GROUPS } from './effect-definition.ts';
export type { EffectContext, EffectDefinition, Fragment } from './effect-definition.ts';
export { isSeenAtOnce } from './reveal-range.ts';
export * from './sketch.ts';
export type { SketchPart } from './sketch-samples.ts';
export * from './preset.ts';
export * from './preset-link.ts';
export * from './shipped.ts';
export * from './set-depth.ts';
