export * from './browser.ts';
export * from './chromium.ts';
export * from './measure.ts';
export * from './page-files.ts';
export * from './prove.ts';
export * from './trial.ts';
export * from './turn.ts';
export * from './watch.ts';
