export * from './phases.ts';
export * from './range-point.ts';
export * from './convert.ts';
export * from './placed.ts';
export * from './trigger-lines.ts';
export * from './move.ts';
export * from './depth.ts';
export * from './stagger.ts';
