export * from './limits.ts';
export * from './finding.ts';
export * from './registry.ts';
export * from './accepted.ts';
