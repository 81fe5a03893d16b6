export * from './shapes.ts';
export * from './requests.ts';
