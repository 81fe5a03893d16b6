/** In which order the lines, words or letters of a text come. */
import { shuffled } from './shuffled.ts';

export const TEXT_UNITS = ['lines', 'words', 'letters'] as const;
export type TextUnit = (typeof TEXT_UNITS)[number];
export const TEXT_ORDERS = ['reading', 'middle', 'random'] as const;
export type TextOrder = (typeof TEXT_ORDERS)[number];

/** How much later each is, as a share of the whole delay: 0 the first, 1 the last. */
export const TEXT_SHARE = '--text-part';

/**
 * The share of the delay for each of `count` parts, by their place in the text: 0 the first ones, 1 the last. From the middle both neighbours are
 * alike. One alone is the first. `seed`: of the random order.
 */
export function shareParts(count: number, order: TextOrder, seed = 1): number[] {
  const last = count - 1;
  if (last < 1) return Array.from({ length: count }, () => 0);
  const places = Array.from({ length: count }, (_, i) => i);
  if (order === 'reading') return places.map((i) => i / last);
  if (order === 'random') return shuffled(count, seed).map((i) => i / last);
  const away = places.map((i) => Math.floor(Math.abs(i - last / 2)));
  const most = Math.max(...away);
  return away.map((n) => (most === 0 ? 0 : n / most));
}
