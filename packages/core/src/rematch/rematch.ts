/**
 * After a page has changed: which selectors of a document no longer find anything, and which elements of the page as it is now are most like
 * those that they found. A likeness is only proposed; people say whether it is the same.
 */
import { itemAt } from '../assert/index.ts';
import { withDriverSelectors } from '../drivers/index.ts';
import { edit } from '../edit/index.ts';
import type { Operation } from '../edit/index.ts';
import { findMatches } from '../page/index.ts';
import type { ElementFacts, Layout } from '../page/index.ts';
import { collectSelectors } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';

export interface Lost {
  selector: string;
  /** ids of motions, pins, triggers and adjustments that use it */
  usedBy: string[];
  /** the elements’ words when they were last there */
  text: string;
  /** what it may be now; null where nothing is like it */
  proposal: { selector: string; likeness: number } | null;
}

/** Shares of the likeness; Lyvek default. They add up to 1. */
const WEIGHTS = { text: 0.45, tag: 0.2, parent: 0.15, size: 0.1, place: 0.1 };
/** From here on it is worth asking. */
const LIKE_ENOUGH = 0.55;
const MAX_TOGETHER = 40;

const toWords = (text: string): Set<string> => new Set(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []);

/** Words in common, of all words that either has; 1 where neither has any. */
function sameWords(a: string, b: string): number {
  const [x, y] = [toWords(a), toWords(b)];
  if (x.size === 0 && y.size === 0) return 1;
  let both = 0;
  for (const w of x) if (y.has(w)) both++;
  return both / (x.size + y.size - both);
}

const ratio = (a: number, b: number): number => (a === b ? 1 : Math.min(a, b) / Math.max(a, b, 1e-9));

/** How like two elements are, from 0 to 1. */
export function likeness(a: ElementFacts, before: Layout, b: ElementFacts, now: Layout): number {
  const parentTag = (e: ElementFacts, l: Layout) => l.elements[e.parent]?.tag ?? '';
  const place = (e: ElementFacts, l: Layout) => e.box.y / Math.max(1, l.page.height);
  return (
    WEIGHTS.text * sameWords(a.text, b.text) +
    WEIGHTS.tag * Number(a.tag === b.tag) +
    WEIGHTS.parent * Number(parentTag(a, before) === parentTag(b, now)) +
    WEIGHTS.size * ratio(a.box.width * a.box.height, b.box.width * b.box.height) +
    WEIGHTS.place * (1 - Math.min(1, Math.abs(place(a, before) - place(b, now)) * 4))
  );
}

/** What uses a selector, by id. */
function listUsers(d: MotionDocument, selector: string): string[] {
  return [
    ...d.motions.filter((m) =>
      collectSelectors({ ...d, motions: [m], pins: [], triggers: [], adjustments: [] }).includes(selector),
    ),
    ...d.pins.filter(
      (p) => p.stage === selector || (p.distance.kind === 'travel' && p.distance.strip === selector),
    ),
    ...d.triggers.filter((g) => g.subject === selector),
    ...d.adjustments.filter((a) => a.selector === selector),
  ].map((x) => x.id);
}

/** `before`: the page as it was measured when the selectors still found their elements. */
export function lostSelectors(document: MotionDocument, before: Layout, now: Layout): Lost[] {
  const taken = new Set<number>();
  return collectSelectors(document).flatMap((selector): Lost[] => {
    const was = findMatches(before, selector);
    if (was.length === 0 || findMatches(now, selector).length > 0) return [];
    const found = was.slice(0, MAX_TOGETHER).map((i) => {
      const mine = itemAt(before.elements, i);
      let best = -1;
      let most = 0;
      now.elements.forEach((e, k) => {
        const like = taken.has(k) ? 0 : likeness(mine, before, e, now);
        if (like > most) [best, most] = [k, like];
      });
      if (best >= 0 && most >= LIKE_ENOUGH) taken.add(best);
      return { index: best, likeness: most };
    });
    const least = Math.min(...found.map((f) => f.likeness));
    return [
      {
        selector,
        usedBy: listUsers(document, selector),
        text: itemAt(before.elements, itemAt(was, 0)).text,
        proposal:
          least >= LIKE_ENOUGH
            ? {
                selector: found.map((f) => itemAt(now.elements, f.index).selector).join(', '),
                likeness: least,
              }
            : null,
      },
    ];
  });
}

/** Another selector wherever this one stands. */
export const replaceSelector = (from: string, to: string): Operation =>
  edit('another element', (d) => withSelector(d, from, to));

/** The document with another selector wherever this one stands. */
export function withSelector(d: MotionDocument, from: string, to: string): MotionDocument {
  const put = (selector: string) => (selector === from ? to : selector);
  return {
    ...d,
    motions: d.motions.map((m) => ({
      ...m,
      targets: { selector: put(m.targets.selector) },
      driver: withDriverSelectors(m.driver, put),
    })),
    pins: d.pins.map((p) => ({
      ...p,
      stage: put(p.stage),
      distance: p.distance.kind === 'travel' ? { ...p.distance, strip: put(p.distance.strip) } : p.distance,
    })),
    triggers: d.triggers.map((g) => ({ ...g, subject: put(g.subject) })),
    adjustments: d.adjustments.map((a) => ({ ...a, selector: put(a.selector) })),
  };
}
