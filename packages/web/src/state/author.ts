/** Names this browser to the server, so that undo takes back only what was done in it. */
const KEY = 'lyvek-author';
let known: string | null = null;

export function author(): string {
  try {
    known ??= localStorage.getItem(KEY);
    if (known === null) localStorage.setItem(KEY, (known = crypto.randomUUID()));
  } catch {
    // Nothing is stored here: then it is one for each visit.
    known ??= crypto.randomUUID();
  }
  return known;
}
