/** Origins for what turns or grows: one that looks thrown, and a pattern of five for a motion on many elements. */
import { fingerprint, splitPart } from '../page/index.ts';
import type { Adjustment } from '../motion/index.ts';
import { edit } from './operation.ts';
import type { NewId, Operation } from './operation.ts';

/** An origin that looks thrown, yet is the same each time for the same element. */
export function thrownOrigin(selector: string): string {
  const hash = fingerprint(selector);
  return `${hash % 101}% ${((hash >>> 8) & 0xffff) % 101}%`;
}

/** As many origins as it takes before nobody sees them come again. */
const PATTERN = 5;

/** Every fifth of the elements that a selector finds, counted among their siblings, from each of the first five on. */
export const everyFifth = (selector: string): string[] => {
  const [host, part] = splitPart(selector);
  const one = host.includes(',') ? `:is(${host})` : host;
  return Array.from({ length: PATTERN }, (_, k) => `${one}:nth-child(${PATTERN}n + ${k + 1})${part}`);
};

/** Each of a motion’s elements turns and grows about a point of its own; what was said of their origin before goes. */
export const spreadOrigins = (id: string, newId: NewId): Operation =>
  edit('give each an origin of its own', (d) => {
    const selector = d.motions.find((m) => m.id === id)?.targets.selector;
    if (selector === undefined) return d;
    const parts = everyFifth(selector);
    const kept = d.adjustments.flatMap((a): Adjustment[] => {
      const isOwn = a.for.includes(id) && (a.selector === selector || parts.includes(a.selector));
      if (!isOwn || !('transform-origin' in a.declarations)) return [a];
      const { 'transform-origin': _, ...declarations } = a.declarations;
      return Object.keys(declarations).length || a.attributes ? [{ ...a, declarations }] : [];
    });
    const spread = parts.map((part): Adjustment => ({
      id: newId('a'),
      selector: part,
      declarations: { 'transform-origin': thrownOrigin(part) },
      for: [id],
    }));
    return { ...d, adjustments: [...kept, ...spread] };
  });
