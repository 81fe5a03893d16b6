export * from './options.ts';
export * from './assemble.ts';
export * from './deviations.ts';
export * from './how.ts';
export * from './guide.ts';
