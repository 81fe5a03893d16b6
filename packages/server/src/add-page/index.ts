export { pageFrom } from './page-from.ts';
export { chooseEntry } from './entry.ts';
export { unpack } from './unpack.ts';
