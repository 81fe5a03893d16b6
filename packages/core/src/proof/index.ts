export * from './distance.ts';
export * from './schedule.ts';
export * from './proof.ts';
export * from './same-page.ts';
