export { blockName, findBlock, putBlock } from './block.ts';
export type { Block, Broken } from './block.ts';
export { mergeDocuments } from './merge.ts';
export type { Merged } from './merge.ts';
export { syncStep } from './step.ts';
export type { Revision, SyncInput, SyncStep } from './step.ts';
