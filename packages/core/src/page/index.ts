export * from './units.ts';
export * from './length.ts';
export * from './layout.ts';
export * from './geometry.ts';
export * from './pin.ts';
export * from './element-name.ts';
export * from './media.ts';
export * from './fingerprint.ts';
