export { restoreArchive } from './read.ts';
export { writeArchive } from './write.ts';
export { TABLES } from './tables.ts';
