export * from './limits.ts';
export * from './finding.ts';
export * from './registry.ts';
export * from './accepted.ts';
export { isOpenMistake } from './page-mistake.ts';
export { findHotSpots, listLateFrames } from './hot-spots.ts';
