export * from './limits.ts';
export * from './finding.ts';
export * from './registry.ts';
export * from './accepted.ts';
export { isOpenMistake } from './page-mistake.ts';
export { hotSpotsOf, lateFramesOf } from './hot-spots.ts';
