export * from './piece.ts';
export * from './write-css.ts';
export * from './join-css.ts';
export * from './html.ts';
export * from './names.ts';
export * from './range-css.ts';
