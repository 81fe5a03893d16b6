export { EFFECTS, effectById, startingPoint } from './effect.ts';
export type { StartingPoint } from './effect.ts';
export type { EffectDefinition } from './effect-definition.ts';
