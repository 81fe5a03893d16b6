/** What tests and benches of several rooms share. */
export * from './small.ts';
export { EDIT_NAMES, RANDOM_EDITS } from './random-edits.ts';
