/** Names where there is little room: which part of a long one is kept, and where names stand that would cover each other. */

/** Names that begin alike up to here are told apart by their ends. */
const ALIKE = 10;

/** The names that share their beginning with another one. */
export function listAlike(names: readonly string[]): Set<string> {
  const byStart = new Map<string, Set<string>>();
  for (const name of names) {
    const start = name.slice(0, ALIKE);
    byStart.set(start, (byStart.get(start) ?? new Set()).add(name));
  }
  return new Set([...byStart.values()].flatMap((list) => (list.size > 1 ? [...list] : [])));
}

/** At most so many letters; of a name that is cut, its end is kept where its beginning says nothing. */
export function cutName(name: string, letters: number, keepEnd: boolean): string {
  if (name.length <= letters) return name;
  const kept = Math.max(1, letters - 1);
  return keepEnd ? `…${name.slice(-kept).trimStart()}` : `${name.slice(0, kept).trimEnd()}…`;
}

export interface Placeable {
  /** row where it would like to stand */
  y: number;
  /** stays when there is no room for all */
  first: boolean;
}

/**
 * Rows for names in a list, at least `pitch` apart and within `rows`, each as near to its own row as that allows. Those for which there is no
 * room get none; the ones that stay first are never among them as long as they alone fit.
 */
export function placeNames(list: readonly Placeable[], pitch: number, rows: number): (number | null)[] {
  const most = Math.max(0, Math.floor((rows - pitch) / pitch) + 1);
  const order = list.map((item, i) => ({ ...item, i })).sort((a, b) => a.y - b.y);
  const wanted = order.filter((o) => o.first).slice(0, most);
  const others = order.filter((o) => !o.first);
  const room = most - wanted.length;
  // Evenly over all, so that no stretch of the page is without names.
  const every = room > 0 ? Math.max(1, others.length / room) : Infinity;
  const kept = others.filter((_, k) => Math.floor(k / every) !== Math.floor((k - 1) / every)).slice(0, room);
  const shown = [...wanted, ...kept].sort((a, b) => a.y - b.y);
  const out: (number | null)[] = list.map(() => null);
  let y = -Infinity;
  const placed = shown.map((o) => (y = Math.max(o.y, y + pitch)));
  // What has been pushed out at the bottom pushes back.
  let limit = rows - pitch / 2;
  for (let k = placed.length - 1; k >= 0; k--) {
    placed[k] = Math.min(placed[k] ?? limit, limit);
    limit = (placed[k] ?? limit) - pitch;
  }
  shown.forEach((o, k) => (out[o.i] = placed[k] ?? null));
  return out;
}
