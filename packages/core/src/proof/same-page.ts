/**
 * A page as it was brought beside the same page as Lyvek writes it: nothing is taken out of a page whose replacement does not show the same
 * in a browser. What the two show is compared as text, and its numbers within what browsers round.
 */
import { itemAt } from '../assert/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { viewportsFor } from '../page/index.ts';
import type { Px, Viewport } from '../page/index.ts';

/** How a page is looked at. */
export interface Situation {
  viewport: Viewport;
  /** the reader asks for reduced motion */
  reducedMotion: boolean;
}

/** A part of a page that moves: an element by its place among all, or a pseudo-element of it. */
export interface MovingPart {
  index: number;
  pseudo: string | null;
  /** its tag, its class and the beginning of its words */
  label: string;
  properties: string[];
  /** places of the motions that have it */
  motions: number[];
}

/** What a motion moves, and of whom. */
export interface MovedBy {
  selector: string;
  properties: string[];
}

/** Computed values of every part at every place; null where the part is not there. */
export interface Journey {
  places: { y: Px; values: (string[] | null)[] }[];
}

export interface PageDifference {
  situation: Situation;
  part: MovingPart;
  y: Px;
  property: string;
  before: string;
  after: string;
}

const MAX_SITUATIONS = 8;
/** Where no condition says otherwise. */
export const USUAL_VIEWPORT: Viewport = { width: 1280, height: 800 };

/** Every way in which the page’s conditions hold and fail together, and once for readers who ask for reduced motion. */
export const situationsFor = (queries: readonly string[]): Situation[] => [
  ...viewportsFor(queries, USUAL_VIEWPORT, MAX_SITUATIONS).map((viewport) => ({
    viewport,
    reducedMotion: false,
  })),
  { viewport: USUAL_VIEWPORT, reducedMotion: true },
];

export const movedBy = ({ motions }: MotionDocument): MovedBy[] =>
  motions.map((m) => ({ selector: m.targets.selector, properties: Object.keys(m.keyframes) }));

const NUMBER = /-?\d+(?:\.\d+)?(?:e[+-]?\d+)?/g;
/** Share of a number, and least amount, by which browsers round it. */
const ROUNDING = { share: 6e-4, least: 0.002 };

/** The same text, with numbers as near as browsers round them. */
export function showsTheSame(before: string, after: string): boolean {
  if (before === after) return true;
  if (before.replace(NUMBER, '#') !== after.replace(NUMBER, '#')) return false;
  const theirs = (after.match(NUMBER) ?? []).map(Number);
  return (before.match(NUMBER) ?? []).map(Number).every((n, i) => {
    const other = itemAt(theirs, i);
    return (
      Math.abs(n - other) <= Math.max(ROUNDING.least, ROUNDING.share * Math.max(Math.abs(n), Math.abs(other)))
    );
  });
}

/** The first difference of each part. */
export function pageDifferences(
  situation: Situation,
  parts: readonly MovingPart[],
  before: Journey,
  after: Journey,
): PageDifference[] {
  return parts.flatMap((part, i) => {
    for (const [p, { y, values }] of before.places.entries()) {
      const [mine, theirs] = [values[i], after.places[p]?.values[i]];
      const k = part.properties.findIndex((_, n) => !showsTheSame(mine?.[n] ?? '', theirs?.[n] ?? ''));
      if (k >= 0)
        return [
          {
            situation,
            part,
            y,
            property: itemAt(part.properties, k),
            before: mine?.[k] ?? 'nothing',
            after: theirs?.[k] ?? 'nothing',
          },
        ];
    }
    return [];
  });
}

const situationWords = ({ viewport, reducedMotion }: Situation): string =>
  reducedMotion ? 'for reduced motion' : `at ${viewport.width} × ${viewport.height}`;

/** Why the motions of an element are left to the page. */
export const differenceWords = ({ situation, property, before, after, y }: PageDifference): string =>
  `rewritten it would play something else: ${property} ${after} instead of ${before}, ${y} px down, ${situationWords(situation)}`;
