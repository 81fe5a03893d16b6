/** Importing with proof, for whoever has no server. */
export { IMPORT_JOBS } from './import-jobs.ts';
export { Proving } from './proved.ts';
export type { ImportReader, ProvedImport } from './proved.ts';
