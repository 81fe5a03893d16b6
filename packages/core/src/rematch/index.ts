export * from './rematch.ts';
