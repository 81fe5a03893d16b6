export * from './differences.ts';
export * from './take-over.ts';
export * from './visual-difference.ts';
