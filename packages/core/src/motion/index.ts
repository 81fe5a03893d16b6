export * from './document.ts';
export * from './compile.ts';
export * from './sample.ts';
export * from './pin.ts';
export * from './adjustment.ts';
