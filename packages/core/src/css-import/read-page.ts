/**
 * Reads a page that already moves: its animations on scroll timelines and triggers become motions, and what was read is claimed, so that it
 * can be taken out where the document writes it. What cannot be read is left alone and listed.
 */
import type { MotionDocument } from '../motion/index.ts';
import { PageElements } from './source/elements.ts';
import type { Corrections, Mistake } from './diagnostics/mistakes.ts';
import { narrowedClaims } from './claims/claims.ts';
import { PageReader } from './page-reader.ts';
import type { Refuted } from './page-reader.ts';
import { listMisspelt, withSpelling } from './diagnostics/misspelt.ts';
import { frameFactors } from './diagnostics/frame-factors.ts';
import { readRules } from './cascade/rules.ts';
import type { ReadRules } from './cascade/rules.ts';
import { readSheets } from './source/sheets.ts';
import type { FileAt } from './source/sheets.ts';
import type { Unsupported } from './source/source.ts';
import { takenOut } from './claims/take-out.ts';
import type { Claim, TakenOut } from './claims/take-out.ts';

export interface ImportResult {
  document: MotionDocument;
  claims: Claim[];
  unsupported: Unsupported[];
  mistakes: Mistake[];
  /** media conditions under which the page moves something */
  queries: string[];
}

/**
 * `entry` is the path of the HTML among the page’s files. `mend`: mistakes that are read as they were meant, by key. `refuted`: elements whose
 * motions are left to the page, because a browser showed something else.
 */
export const readPage = (
  entry: string,
  html: string,
  fileAt: FileAt,
  corrections: Corrections = new Set(),
  refuted: readonly Refuted[] = [],
): ImportResult => readWithRules(entry, html, fileAt, corrections, refuted).imported;

function readWithRules(
  entry: string,
  html: string,
  fileAt: FileAt,
  corrections: Corrections,
  refuted: readonly Refuted[] = [],
): { imported: ImportResult; rules: ReadRules } {
  const source = readSheets(entry, html, fileAt);
  const written = readRules(source.sheets);
  const misspelt = listMisspelt(written);
  const rules = withSpelling(
    written,
    misspelt.filter(({ key }) => corrections === 'all' || corrections.has(key)),
  );
  const reader = new PageReader(rules, new PageElements(source.document), corrections);
  const { document, claims } = reader.read(refuted);
  const unsupported = [...source.unsupported, ...rules.unsupported, ...reader.unsupported];
  const imported = {
    document: { ...document, importedRules: [...new Set(claims.map((c) => c.key))] },
    claims,
    unsupported: unsupported.sort(
      (a, b) => a.place.path.localeCompare(b.place.path) || a.place.from - b.place.from,
    ),
    mistakes: [...misspelt, ...reader.mistakes, ...frameFactors(source.document, entry, html, fileAt)],
  };
  return { imported: { ...imported, queries: reader.queries }, rules };
}

/** Files of the page without what documents have taken over from them, by path; only those that change. */
export function withoutTaken(
  entry: string,
  html: string,
  fileAt: FileAt,
  taken: readonly string[],
): Map<string, TakenOut> {
  if (taken.length === 0) return new Map();
  const keys = new Set(taken);
  const claimed = (corrections: Corrections) => {
    const { imported, rules } = readWithRules(entry, html, fileAt, corrections);
    const whole = imported.claims.filter((c) => c.only === null && keys.has(c.key));
    return [...whole, ...narrowedClaims(rules, taken)];
  };
  const plain = claimed(new Set());
  const found = new Set(plain.map((c) => c.key));
  // Rules that were read only after a mistake in them was mended.
  return takenOut(taken.every((k) => found.has(k)) ? plain : claimed('all'));
}
