/** Readable, unique CSS names for motions and pins, from what people called them. */

/** Longest name in code; a longer one ends with its last whole word. */
const MAX_LENGTH = 28;

export function slug(name: string): string {
  const known = memory.get(name);
  if (known) return known;
  if (memory.size > 10_000) memory.clear();
  const fresh = toSlug(name);
  memory.set(name, fresh);
  return fresh;
}

const memory = new Map<string, string>();

function toSlug(name: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();
  const words = plain.replace(/[^a-z0-9]+/g, '-').replace(/^-+|-+$/g, '');
  if (words.length <= MAX_LENGTH) return words || 'motion';
  // One word more than fits tells whether the last one was cut.
  const whole = words.slice(0, MAX_LENGTH + 1).replace(/-[^-]*$/, '');
  return whole.length <= MAX_LENGTH ? whole : words.slice(0, MAX_LENGTH);
}

/** Names by id; those of the same name get a number. */
export function slugs(named: readonly { id: string; name: string }[]): Map<string, string> {
  const taken = new Set<string>();
  const names = new Map<string, string>();
  for (const m of named) {
    const base = slug(m.name);
    let name = base;
    for (let i = 2; taken.has(name); i++) name = `${base}-${i}`;
    taken.add(name);
    names.set(m.id, name);
  }
  return names;
}

/** Where the hand-off's style sheet, or its script, lies beside the page, and how the page links it. */
export function stylesheetPath(
  entry: string,
  pageName: string,
  extension: 'css' | 'js' = 'css',
): { path: string; href: string } {
  const href = `${slug(pageName)}.motion.${extension}`;
  const folder = entry.includes('/') ? entry.slice(0, entry.lastIndexOf('/') + 1) : '';
  return { path: folder + href, href };
}

/** What the page’s head gets: the style sheet, and the script where one is needed. */
export const headLines = (sheet: string, script: string | null): string[] => [
  `<link rel="stylesheet" href="${sheet}">`,
  ...(script === null ? [] : [`<script type="module" src="${script}"></script>`]),
];
