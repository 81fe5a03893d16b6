/** What each mistake of a page was meant as, so that a document can take it over. */
import type { Meant } from '../motion/index.ts';
import { MENDABLE } from './mistakes.ts';
import type { Mistake } from './mistakes.ts';
import { readPage } from './read-page.ts';
import type { Reading } from './read-page.ts';
import type { FileAt } from './sheets.ts';

export interface PageMistake extends Mistake {
  /** null: only the page’s author can mend it */
  meant: Meant | null;
}

/** Each is read once more, so only so many are. */
const MAX = 24;

/** `reading` is what `readPage` said of these files. */
export function suggestCorrections(reading: Reading, entry: string, html: string, fileAt: FileAt): PageMistake[] {
  const plain = new Map(reading.document.motions.map((m) => [JSON.stringify({ ...m, id: '', name: '' }), m]));
  let read = 0;
  return reading.mistakes.map((mistake) => {
    if (!MENDABLE.has(mistake.kind) || read++ >= MAX) return { ...mistake, meant: null };
    const { document } = readPage(entry, html, fileAt, new Set([mistake.key]));
    const still = new Set<string>();
    const added = document.motions.filter((m) => {
      const key = JSON.stringify({ ...m, id: '', name: '' });
      still.add(key);
      return !plain.has(key);
    });
    const instead = [...plain].flatMap(([key, m]) => (still.has(key) ? [] : [m]));
    return { ...mistake, meant: { read: { ...document, motions: added }, instead } };
  });
}
