export * from './operation.ts';
export * from './references.ts';
export * from './put.ts';
export * from './remove.ts';
export * from './copy.ts';
export * from './retarget.ts';
export * from './drive.ts';
