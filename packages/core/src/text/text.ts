/** Texts that can be stored and sent anywhere: cut where people see a boundary, without halves of characters. */

/** NUL, and a half of a surrogate pair without its other half: neither PostgreSQL nor UTF-8 takes them. */
const UNSTORABLE = /\0|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;
const REPLACEMENT = '\ufffd';

/** `text` with U+FFFD for what no encoding can carry, as `String.prototype.toWellFormed` does, and for NUL. */
export const wellFormed = (text: string): string => text.replace(UNSTORABLE, REPLACEMENT);

/**
 * The same for every string and key of a JSON value. Returns `value` itself where nothing had to be replaced, so that identity still
 * says “unchanged”. Not recursive: a value that is nested deeply is refused by its schema and not here.
 */
export function allWellFormed<T>(value: T): T {
  if (typeof value === 'string') return wellFormed(value) as T;
  if (!holdsUnstorable(value)) return value;
  return JSON.parse(JSON.stringify(value, replaced)) as T;
}

const replaced = (_key: string, v: unknown): unknown => {
  if (typeof v === 'string') return wellFormed(v);
  if (typeof v !== 'object' || v === null || Array.isArray(v)) return v;
  return Object.fromEntries(Object.entries(v).map(([k, x]) => [wellFormed(k), x]));
};

function holdsUnstorable(value: unknown): boolean {
  const open: unknown[] = [value];
  const bad = (text: string) => text.search(UNSTORABLE) >= 0;
  while (open.length > 0) {
    const v = open.pop();
    if (typeof v === 'string') {
      if (bad(v)) return true;
    } else if (Array.isArray(v)) for (const x of v) open.push(x);
    else if (typeof v === 'object' && v !== null)
      for (const [k, x] of Object.entries(v)) {
        if (bad(k)) return true;
        open.push(x);
      }
  }
  return false;
}

const graphemes = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/** At most `max` UTF-16 units of `text`, cut before the character as people see it (UAX #29) that would not fit whole. */
export function shorten(text: string, max: number): string {
  if (text.length <= max) return text;
  const at = graphemes.segment(text).containing(max)?.index ?? max;
  // One “character” may be longer than all the room there is; then at least no surrogate pair is cut.
  return at > 0 ? text.slice(0, at) : text.slice(0, max).replace(/[\ud800-\udbff]$/, '');
}

/** The same with an ellipsis in the place of what was cut. */
export const ellipsized = (text: string, max: number): string =>
  text.length > max ? `${shorten(text, max - 1).trimEnd()}…` : text;
