export { EFFECTS, effectById, startingPoint } from './effect.ts';
export type { EffectDefinition, StartingPoint } from './effect.ts';
