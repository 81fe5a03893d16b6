export * from './quantities.ts';
export * from './cost-class.ts';
export * from './amounts.ts';
export * from './devices.ts';
export * from './coefficients.ts';
export * from './fit.ts';
export * from './engines.ts';
