/** Scroll input: gestures, and the clock of frames that it is seen by. */
export type { Constant, GestureDefinition, Hand, Values } from './gesture-definition.ts';
export * from './clock.ts';
export * from './gesture.ts';
export * from './trace.ts';
