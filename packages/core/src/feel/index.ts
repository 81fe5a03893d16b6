export * from './gesture.ts';
