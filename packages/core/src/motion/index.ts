export * from './document.ts';
export * from './compile.ts';
export * from './sample.ts';
export * from './pin.ts';
export * from './adjustment.ts';
export * from './gate.ts';
export * from './timed.ts';
export * from './place.ts';
