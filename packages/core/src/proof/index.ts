export * from './distance.ts';
export * from './plan.ts';
export * from './proof.ts';
