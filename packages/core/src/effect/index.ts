export { EFFECTS, effectById } from './effect.ts';
export type { EffectDefinition } from './effect.ts';
