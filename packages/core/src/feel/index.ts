export type { Constant, GestureDefinition, Hand, Values } from './gesture-definition.ts';
export * from './clock.ts';
export * from './gesture.ts';
export * from './damping.ts';
export * from './trace.ts';
export * from './spectrum.ts';
export * from './response.ts';
