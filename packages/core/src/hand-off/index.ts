export * from './assemble.ts';
export * from './how.ts';
