export * from './page/index.ts';
export * from './timeline/index.ts';
export * from './value/index.ts';
export * from './motion/index.ts';
export * from './feel/index.ts';
export * from './effect/index.ts';
export * from './check/index.ts';
export * from './format/index.ts';
