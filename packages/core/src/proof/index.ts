export * from './distance.ts';
export * from './proof.ts';
