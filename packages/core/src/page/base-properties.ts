import type { ElementFacts } from './layout.ts';

/** Properties whose unanimated values are measured, with their initial computed values. */
export const BASE_PROPERTIES: readonly (readonly [name: string, initial: string])[] = [
  ['opacity', '1'],
  ['translate', 'none'],
  ['scale', 'none'],
  ['rotate', 'none'],
  ['filter', 'none'],
  ['transform', 'none'],
  ['clip-path', 'none'],
  ['color', 'rgb(0, 0, 0)'],
  ['background-color', 'rgba(0, 0, 0, 0)'],
  ['letter-spacing', 'normal'],
  // Whether what turns in space is seen to.
  ['perspective', 'none'],
  ['transform-style', 'flat'],
];

const INITIAL = new Map(BASE_PROPERTIES);

/** An element’s value without any motion; null where it has not been measured. Those that are initial are not in the layout. */
export const ownValue = (e: Pick<ElementFacts, 'base'>, property: string): string | null =>
  e.base?.[property] ?? INITIAL.get(property) ?? null;
