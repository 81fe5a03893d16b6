export { pageFrom } from './page-from.ts';
export { chooseEntry, otherPages } from './entry.ts';
export { unpack } from './unpack.ts';
