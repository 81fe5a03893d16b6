export * from './differences.ts';
export * from './take-over.ts';
export * from './unlike.ts';
