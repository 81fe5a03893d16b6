export * from './distance.ts';
export * from './plan.ts';
export * from './proof.ts';
export * from './same-page.ts';
