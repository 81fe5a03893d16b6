export type { GestureDefinition } from './gesture-definition.ts';
export * from './gesture.ts';
export * from './follow.ts';
export * from './trace.ts';
