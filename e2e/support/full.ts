/** `npm run test:all` has everything; `npm test` leaves out what only says the same again, more thoroughly and for longer. */
export const FULL = { tag: '@full' };

export const isAll = process.env.LYVEK_ALL === '1';

/** Of a list of like cases every `n`th is always tried. */
export const sampled = (i: number, n: number): { tag?: string } => (i % n === 0 ? {} : FULL);
