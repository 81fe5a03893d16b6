/** Types of css-tree's parts, which it publishes for the whole only. */
declare module 'css-tree/parser' {
  import type { parse } from 'css-tree';
  const own: typeof parse;
  export default own;
}
declare module 'css-tree/generator' {
  import type { generate } from 'css-tree';
  const own: typeof generate;
  export default own;
}
declare module 'css-tree/convertor' {
  import type { fromPlainObject, toPlainObject } from 'css-tree';
  const own: { fromPlainObject: typeof fromPlainObject; toPlainObject: typeof toPlainObject };
  export default own;
}
