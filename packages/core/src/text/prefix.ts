/** Whether names in CSS can begin with it; empty: with nothing. */
export const isPrefix = (text: string): boolean => /^(?:[a-z](?:[a-z0-9-]{0,10}[a-z0-9])?)?$/.test(text);

/** Words that no layer may have (CSS Cascading 5, §6.4.1). */
const KEYWORDS = /^(?:initial|inherit|unset|default|revert|revert-layer)$/i;

/** Whether it names a cascade layer, `motion` or `theme.motion`. */
export const isLayerName = (text: string): boolean =>
  text.length <= 80 &&
  text.split('.').every((part) => /^(?:-?[a-z_]|--)[\w-]*$/i.test(part) && !KEYWORDS.test(part));
