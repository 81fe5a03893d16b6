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
    .toLowerCase()
    // A copy’s copy is called after the first.
    .replace(/(?:\s+copy)+(?=\s*\d*$)/, '');
  const words = plain.replace(/[^a-z0-9]+/g, '-').replace(/^-+|-+$/g, '');
  if (words.length <= MAX_LENGTH) return words || 'motion';
  // One word more than fits tells whether the last one was cut.
  const whole = words.slice(0, MAX_LENGTH + 1).replace(/-[^-]*$/, '');
  return whole.length <= MAX_LENGTH ? whole : words.slice(0, MAX_LENGTH);
}

/** What CSS names begin with where nothing else is chosen, as in the preview. */
export const DEFAULT_PREFIX = 'lv';
export const withPrefix = (prefix: string, name: string): string =>
  prefix === '' ? name : `${prefix}-${name}`;

export interface Naming {
  /** what every name begins with; empty: nothing */
  prefix?: string | undefined;
  /** names that the page has given already */
  taken?: readonly string[] | undefined;
}

/** A motion may also be called after what it moves, a pin after what it holds. */
interface Nameable {
  id: string;
  name: string;
  targets?: { selector: string };
  stage?: string;
}

/** More words are running text, which names nothing. */
const MAX_WORDS = 4;

/** `cardRise`, `card_rise`: a name as only code has it, which is written as it is. What ends in a number after `_` are blocks of the writer’s. */
export const isCodeName = (name: string): boolean =>
  /^(?!lv-)[a-z][\w-]{0,60}$/i.test(name) && /.[A-Z_]/.test(name) && !/_\d+$/.test(name);

function shortSlug({ name, targets, stage }: Nameable): string {
  if (isCodeName(name)) return name;
  const own = slug(name);
  const selector = targets?.selector ?? stage;
  const other = selector && selectorName(selector);
  return own.split('-').length > MAX_WORDS && other && other.split('-').length <= MAX_WORDS ? other : own;
}

interface Given {
  list: readonly Nameable[];
  prefix: string;
  taken: readonly string[];
  names: ReadonlyMap<string, string>;
}

/** What was given last. Names hang on few of the things that edits change, so that the same ones are mostly asked for again. */
let recent: readonly Given[] = [];
const MAX_RECENT = 8;

const isNamedAlike = (a: Nameable, b: Nameable | undefined): boolean =>
  a === b ||
  (a.id === b?.id && a.name === b.name && a.targets?.selector === b.targets?.selector && a.stage === b.stage);
const isAlike = (given: Given, { list, prefix, taken }: Omit<Given, 'names'>): boolean =>
  given.prefix === prefix &&
  given.list.length === list.length &&
  given.taken.length === taken.length &&
  given.list.every((m, i) => isNamedAlike(m, list[i])) &&
  given.taken.every((name, i) => name === taken[i]);

/** Names by id; those of the same name get a number. The same map as long as the same things are named. */
export function cssNames(
  list: readonly Nameable[],
  { prefix = DEFAULT_PREFIX, taken = [] }: Naming = {},
): ReadonlyMap<string, string> {
  const known = recent.find((given) => isAlike(given, { list, prefix, taken }));
  const names = known?.names ?? giveNames(list, prefix, taken);
  // With the newest objects the next comparison is of the same ones.
  recent = [{ list, prefix, taken, names }, ...recent.filter((g) => g !== known)].slice(0, MAX_RECENT);
  return names;
}

function giveNames(list: readonly Nameable[], prefix: string, given: readonly string[]): Map<string, string> {
  const taken = new Set(given);
  const names = new Map<string, string>();
  for (const m of list) {
    const base = withPrefix(prefix, shortSlug(m));
    let name = base;
    for (let i = 2; taken.has(name); i++) name = `${base}-${i}`;
    taken.add(name);
    names.set(m.id, name);
  }
  return names;
}

/** A name for what a selector finds: `#s1 > .card:nth-of-type(2)` is `s1-card-2`. */
const selectorName = (selector: string): string =>
  slug(selector.replace(/:nth-[a-z-]+\((\d+)\)/g, ' $1').replace(/:[a-z-]+/g, ' '));

/** Names for timelines that elements carry, by the selector of the element. No motion has one of them. */
export function ownerNames(
  selectors: readonly string[],
  { prefix = DEFAULT_PREFIX, taken = [] }: Naming = {},
): ReadonlyMap<string, string> {
  const unique = [...new Set(selectors)];
  return cssNames(
    unique.map((id) => ({ id, name: selectorName(id) })),
    { prefix, taken },
  );
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
