export * from './text.ts';
