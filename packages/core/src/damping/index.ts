/** Damping: what is shown comes after the scroll offset. */
export * from './damping.ts';
export * from './spectrum.ts';
export * from './response.ts';
