export { meantOf } from './meant.ts';
export type { PageMistake } from './meant.ts';
export { readPage, withoutTaken } from './read-page.ts';
export type { Reading } from './read-page.ts';
export type { Claim, TakenOut } from './take-out.ts';
export { takenOut } from './take-out.ts';
export type { FileAt } from './sheets.ts';
export type { Mend, Mistake, MistakeKind } from './mistakes.ts';
export type { Place, Unread } from './source.ts';
