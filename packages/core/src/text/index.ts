export * from './text.ts';
export { splitTop } from './split.ts';
export { isLayerName, isPrefix } from './prefix.ts';
