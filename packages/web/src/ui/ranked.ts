/** Search results in the order people expect: the exact name, names that begin so, other words for it, descriptions. */

export interface Searchable {
  name: string;
  /** other words for it */
  words?: string;
  /** what it is or does, in a sentence */
  what?: string;
}

const plain = (text: string) =>
  text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();
const beginsWord = (text: string, part: string) =>
  text.startsWith(part) ||
  new RegExp(`[^\\p{L}\\p{N}]${part.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`, 'u').test(text);

/** 0 for the best answer to a query, more for worse ones, null for none. An empty query finds everything alike. */
export function computeRank(query: string, { name, words = '', what = '' }: Searchable): number | null {
  const q = plain(query.trim());
  if (q === '') return 0;
  const [n, w, d] = [plain(name).trim(), plain(words), plain(what)];
  if (n === q) return 0;
  if (n.startsWith(q)) return 1;
  const parts = q.split(/\s+/);
  if (parts.every((p) => beginsWord(n, p))) return 2;
  if (parts.every((p) => beginsWord(w, p) || beginsWord(n, p))) return 3;
  if (parts.every((p) => n.includes(p))) return 4;
  const all = `${n} ${w} ${d}`;
  if (parts.every((p) => beginsWord(all, p))) return 5;
  return parts.every((p) => all.includes(p)) ? 6 : null;
}

/** Those that answer the query, the best first; equals keep their order. */
export function ranked<T>(query: string, list: readonly T[], toText: (item: T) => Searchable): T[] {
  return list
    .flatMap((item) => {
      const rank = computeRank(query, toText(item));
      return rank === null ? [] : [{ item, rank }];
    })
    .sort((a, b) => a.rank - b.rank)
    .map(({ item }) => item);
}
