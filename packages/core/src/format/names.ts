/** Readable, unique CSS names for motions, from what people called them. */
import type { Motion } from '../motion/index.ts';

export function slug(name: string): string {
  const known = slugs.get(name);
  if (known) return known;
  if (slugs.size > 10_000) slugs.clear();
  const fresh = slugOf(name);
  slugs.set(name, fresh);
  return fresh;
}

const slugs = new Map<string, string>();

function slugOf(name: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();
  return (
    plain
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 48) || 'motion'
  );
}

/** Name by motion id; motions of the same name get a number. */
export function namesOf(motions: readonly Motion[]): Map<string, string> {
  const taken = new Set<string>();
  const names = new Map<string, string>();
  for (const m of motions) {
    const base = slug(m.name);
    let name = base;
    for (let i = 2; taken.has(name); i++) name = `${base}-${i}`;
    taken.add(name);
    names.set(m.id, name);
  }
  return names;
}

/** Where the hand-off's style sheet lies beside the page, and how the page links it. */
export function stylesheetPath(entry: string, pageName: string): { path: string; href: string } {
  const href = `${slug(pageName)}.motion.css`;
  const folder = entry.includes('/') ? entry.slice(0, entry.lastIndexOf('/') + 1) : '';
  return { path: folder + href, href };
}
