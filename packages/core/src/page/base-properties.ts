/** Read inside pages, too: nothing else is imported here. */
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
