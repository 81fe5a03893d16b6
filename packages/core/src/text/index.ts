export * from './text.ts';
export { splitTop } from './split.ts';
