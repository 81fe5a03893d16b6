/** What stands around a rule: media conditions, feature queries, layers. */
import { itemAt } from '../../assert/index.ts';
import * as csstree from 'css-tree';
import { parseMedia } from '../../page/index.ts';
import { shortened } from '../source/source.ts';

export interface MediaRead {
  /** media conditions that the document can have, in the order in which they are nested */
  queries: string[];
  /** it asks for readers who want reduced motion, or for those who do not; null: for both */
  reducedMotion: boolean | null;
  /** it never holds on a screen */
  never: boolean;
  /** why it cannot be a condition of the document */
  obstacle: string | null;
}

export const ALWAYS: MediaRead = { queries: [], reducedMotion: null, never: false, obstacle: null };

const bracketed = (css: string) =>
  /^\(.*\)$/s.test(css) && !/\)\s*(and|or)\s*\(/.test(css) ? css : `(${css})`;

/** Spaces as people write them, so that the same condition is the same text. */
const tidy = (query: string) =>
  query
    .replace(/\s+/g, ' ')
    .replace(/\s*([<>]=?|=)\s*/g, ' $1 ')
    .replace(/\s*:\s*/g, ': ')
    .replace(/\(\s+/g, '(')
    .replace(/\s+\)/g, ')')
    .trim();

const REDUCED_MOTION = /^\(\s*prefers-reduced-motion\s*(?::\s*(reduce|no-preference)\s*)?\)$/i;

/** The parts of `a and b and c` at the top; null where it is joined in another way. */
function conjunction(text: string): string[] | null {
  const parts: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '(') depth++;
    else if (text[i] === ')') depth--;
    else if (depth === 0) {
      const word = /^\s+(and|or)\s+/i.exec(text.slice(i));
      if (!word) continue;
      if (itemAt(word, 1).toLowerCase() === 'or') return null;
      parts.push(text.slice(from, i));
      i += word[0].length - 1;
      from = i + 1;
    }
  }
  return [...parts, text.slice(from)].map((p) => p.trim());
}

/** `screen and (prefers-reduced-motion: no-preference) and (width < 600px)` */
export function readMedia(params: string): MediaRead {
  const text = params.trim();
  const queries = splitQueries(text);
  if (queries.length > 1) return listed(queries, text);
  if (/^only\s+/i.test(text)) return readMedia(text.replace(/^only\s+/i, ''));
  const parts = conjunction(text);
  if (!parts) return condition(text);
  const out: MediaRead = { ...ALWAYS, queries: [] };
  const rest: string[] = [];
  for (const part of parts) {
    const reducedMotion = REDUCED_MOTION.exec(part);
    if (/^(screen|all)$/i.test(part)) continue;
    if (
      /^not\s+(all|screen)$/i.test(part) ||
      /^(print|speech|tty|tv|projection|handheld|braille|embossed|aural)$/i.test(part)
    )
      return { ...ALWAYS, never: true };
    if (reducedMotion) out.reducedMotion = reducedMotion[1]?.toLowerCase() !== 'no-preference';
    else rest.push(part);
  }
  if (rest.length === 0) return out;
  const read = condition(rest.length === 1 ? itemAt(rest, 0) : rest.map(bracketed).join(' and '));
  return { ...read, reducedMotion: out.reducedMotion };
}

/** Conditions that have to hold together, each without brackets that it does not need. */
function atoms(text: string): string[] {
  const inner = /^\(([\s\S]*)\)$/.exec(text)?.[1]?.trim();
  if (inner !== undefined && inner.startsWith('(') && closesAtEnd(text)) return atoms(inner);
  const parts = conjunction(text);
  return parts && parts.length > 1 ? parts.flatMap(atoms) : [tidy(text)];
}

/** The first bracket is closed by the last one. */
function closesAtEnd(text: string): boolean {
  let depth = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '(') depth++;
    else if (text[i] === ')' && --depth === 0) return i === text.length - 1;
  }
  return false;
}

function condition(text: string): MediaRead {
  const queries = [...new Set(atoms(text))];
  for (const query of queries) {
    const parsed = parseMedia(query);
    if (!parsed.ok)
      return { ...ALWAYS, obstacle: `it is under “@media ${shortened(text, 60)}”: ${parsed.error}` };
  }
  return { ...ALWAYS, queries };
}

function listed(queries: readonly string[], text: string): MediaRead {
  const parts = queries.map(readMedia).filter((q) => !q.never);
  if (parts.length === 0) return { ...ALWAYS, never: true };
  if (parts.length === 1) return itemAt(parts, 0);
  const obstacle = parts.find((p) => p.obstacle)?.obstacle;
  if (obstacle) return { ...ALWAYS, obstacle };
  if (parts.some((p) => p.queries.length === 0 && p.reducedMotion === null)) return ALWAYS;
  if (parts.some((p) => p.reducedMotion !== null))
    return {
      ...ALWAYS,
      obstacle: `it is under “@media ${shortened(text, 60)}”, whose parts ask for different readers`,
    };
  return condition(parts.map((p) => bracketed(oneQuery(p.queries))).join(' or '));
}

function splitQueries(text: string): string[] {
  const out: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i <= text.length; i++) {
    if (text[i] === '(') depth++;
    else if (text[i] === ')') depth--;
    else if (i === text.length || (text[i] === ',' && depth === 0)) {
      if (text.slice(from, i).trim()) out.push(text.slice(from, i).trim());
      from = i + 1;
    }
  }
  return out.length ? out : ['all'];
}

/** Two conditions around each other. */
export function within(outer: MediaRead, inner: MediaRead): MediaRead {
  return {
    queries: [...outer.queries, ...inner.queries.filter((q) => !outer.queries.includes(q))],
    reducedMotion: inner.reducedMotion ?? outer.reducedMotion,
    never:
      outer.never ||
      inner.never ||
      (outer.reducedMotion !== null &&
        inner.reducedMotion !== null &&
        outer.reducedMotion !== inner.reducedMotion),
    obstacle: outer.obstacle ?? inner.obstacle,
  };
}

/** All queries of a place as one, for the document. */
export const oneQuery = (queries: readonly string[]): string =>
  queries.length === 1 ? itemAt(queries, 0) : queries.map(bracketed).join(' and ');

/** Newer features than the tables of the parser know, which browsers with scroll timelines have. */
const SUPPORTED =
  /^(animation-(timeline|range|range-start|range-end|trigger|composition)|view-timeline|view-timeline-(name|axis|inset)|scroll-timeline|scroll-timeline-(name|axis)|timeline-(scope|trigger)|translate|rotate|scale|interpolate-size|overflow|overflow-x|overflow-y)$/i;

/** Whether a feature query holds in a browser that plays scroll timelines; null where that is not known. */
export function supportsHolds(params: string): boolean | null {
  const text = params.trim();
  const not = /^not\s+(.*)$/is.exec(text);
  if (not) {
    const inner = supportsHolds(itemAt(not, 1));
    return inner === null ? null : !inner;
  }
  const parts = conjunction(text);
  if (parts && parts.length > 1) {
    const each = parts.map(supportsHolds);
    return each.includes(false) ? false : each.includes(null) ? null : true;
  }
  if (!parts) {
    const each = text.split(/\)\s+or\s+\(/i).map((p) => supportsHolds(`(${p.replace(/^\(|\)$/g, '')})`));
    return each.includes(true) ? true : each.includes(null) ? null : false;
  }
  const inner = /^\((.*)\)$/s.exec(text)?.[1]?.trim();
  if (inner === undefined) return null;
  if (/^\(|^not\s/i.test(inner)) return supportsHolds(inner);
  const [, property = '', value = ''] = /^([\w-]+)\s*:\s*(.*)$/s.exec(inner) ?? [];
  if (property.startsWith('--')) return true;
  if (SUPPORTED.test(property)) return true;
  if (property === '' || /\b(var|attr|if)\(/.test(value)) return null;
  return csstree.lexer.matchProperty(property, value).error ? null : true;
}
