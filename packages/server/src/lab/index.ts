export * from './chromium.ts';
export * from './measure.ts';
export * from './page-files.ts';
export * from './prove.ts';
export * from './trial.ts';
