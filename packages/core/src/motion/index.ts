export * from './document.ts';
export * from './compile.ts';
export * from './sample.ts';
