export { blockName, documentMark, findBlock, putBlock } from './block.ts';
export type { Block, BlockText, Broken } from './block.ts';
export { sourceStep } from './source.ts';
export type { SourceInput, SourceStep } from './source.ts';
export { mergeDocuments } from './merge.ts';
export type { Merged } from './merge.ts';
export { syncStep } from './step.ts';
export type { Revision, SyncInput, SyncStep } from './step.ts';
