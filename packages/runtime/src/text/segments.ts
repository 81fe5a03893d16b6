/** Where words and letters end, as the browser’s own dictionaries and Unicode have it. */

/** Written without spaces. */
const UNSPACED = /[\p{sc=Han}\p{sc=Hiragana}\p{sc=Katakana}\p{sc=Thai}\p{sc=Lao}\p{sc=Khmer}\p{sc=Myanmar}]/u;
const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]/;

export const isDivided = (text: string): boolean => UNSPACED.test(text);
export const isRightToLeft = (text: string): boolean => RIGHT_TO_LEFT.test(text);

/** Words, each with the punctuation that ends it; or letters as readers see them: with their accents, and whole emoji. */
export function divide(text: string, granularity: 'word' | 'grapheme', lang: string): string[] {
  // Browsers without it read letters by their code points, and such words as one.
  if (!('Segmenter' in Intl)) return granularity === 'word' ? [text] : Array.from(text);
  const out: string[] = [];
  for (const { segment, isWordLike } of makeSegmenter(granularity, lang).segment(text))
    if (granularity === 'word' && !isWordLike && out.length) out.push(out.pop() + segment);
    else out.push(segment);
  return out;
}

function makeSegmenter(granularity: 'word' | 'grapheme', lang: string): Intl.Segmenter {
  try {
    return new Intl.Segmenter(lang || undefined, { granularity });
  } catch {
    // The page’s language is none that is known.
    return new Intl.Segmenter(undefined, { granularity });
  }
}
