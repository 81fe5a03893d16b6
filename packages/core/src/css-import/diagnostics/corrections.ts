/** What each mistake of a page was meant as, so that a document can take it over. */
import type { Correction } from '../../motion/index.ts';
import { CORRECTABLE } from './mistakes.ts';
import type { Mistake } from './mistakes.ts';
import { readPage } from '../read-page.ts';
import type { ImportResult } from '../read-page.ts';
import type { FileAt } from '../source/sheets.ts';

export interface PageMistake extends Mistake {
  /** null: only the page’s author can mend it */
  correction: Correction | null;
}

/** Each is read once more, so only so many are. */
const MAX = 24;

/** `reading` is what `readPage` said of these files. */
export function suggestCorrections(
  imported: ImportResult,
  entry: string,
  html: string,
  fileAt: FileAt,
): PageMistake[] {
  const plain = new Map(
    imported.document.motions.map((m) => [JSON.stringify({ ...m, id: '', name: '' }), m]),
  );
  let read = 0;
  return imported.mistakes.map((mistake) => {
    if (!CORRECTABLE.has(mistake.kind) || read++ >= MAX) return { ...mistake, correction: null };
    const { document } = readPage(entry, html, fileAt, new Set([mistake.key]));
    const reducedMotion = new Set<string>();
    const added = document.motions.filter((m) => {
      const key = JSON.stringify({ ...m, id: '', name: '' });
      reducedMotion.add(key);
      return !plain.has(key);
    });
    const instead = [...plain].flatMap(([key, m]) => (reducedMotion.has(key) ? [] : [m]));
    return { ...mistake, correction: { read: { ...document, motions: added }, instead } };
  });
}
