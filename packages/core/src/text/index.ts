export * from './text.ts';
export { splitTop } from './split.ts';
export { isPrefix } from './prefix.ts';
