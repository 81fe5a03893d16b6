export * from './finding.ts';
export * from './registry.ts';
