/** What a brought page moves by its own CSS. Reading it takes a moment on long pages, so what was read last is kept. */
import { meantOf, readPage, withoutTaken } from '@lyvek/core';
import type { PageMistake, Reading } from '@lyvek/core';
import type { PageFile } from '../store/pages.ts';
import { textsOf } from './texts.ts';

const MOST_KEPT = 20;

/** A small memory by key, oldest out first. */
class Kept<T> {
  private readonly map = new Map<string, T>();
  get(key: string, make: () => T): T {
    const known = this.map.get(key);
    if (known !== undefined) return known;
    if (this.map.size >= MOST_KEPT) this.map.delete(this.map.keys().next().value!);
    const fresh = make();
    this.map.set(key, fresh);
    return fresh;
  }
}

/** Null where the page’s HTML is not UTF-8. */
export function readMotions(entry: string, files: readonly PageFile[]): Reading | null {
  const fileAt = textsOf(files);
  const html = fileAt(entry);
  return html === null ? null : readPage(entry, html, fileAt);
}

type MeantReading = Omit<Reading, 'mistakes'> & { mistakes: PageMistake[] };
const meant = new Kept<MeantReading | null>();

/** The same, with what its mistakes were meant as. */
export const readMeant = (
  contentHash: string,
  entry: string,
  files: readonly PageFile[],
): MeantReading | null =>
  meant.get(contentHash, () => {
    const reading = readMotions(entry, files);
    const fileAt = textsOf(files);
    return reading && { ...reading, mistakes: meantOf(reading, entry, fileAt(entry)!, fileAt) };
  });

const served = new Kept<Map<string, string>>();

/** Texts of files that lose what documents have taken over from them, by path. */
export function servedWithout(
  contentHash: string,
  entry: string,
  files: () => readonly PageFile[],
  taken: readonly string[],
): Map<string, string> {
  if (taken.length === 0) return new Map();
  return served.get(`${contentHash} ${JSON.stringify([...taken].sort())}`, () => {
    const fileAt = textsOf(files());
    const html = fileAt(entry);
    if (html === null) return new Map<string, string>();
    return new Map([...withoutTaken(entry, html, fileAt, taken)].map(([path, { text }]) => [path, text]));
  });
}
