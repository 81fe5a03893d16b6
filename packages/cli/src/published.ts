/** The plugin’s published types are written by hand; the compiler holds them against what they describe. */
import type * as Published from '../package/vite.d.ts';
import type * as Built from './vite.ts';

type Both<A, B> = [A, B] extends [B, A] ? true : never;

export const ALIKE: Both<typeof Published, typeof Built> = true;
