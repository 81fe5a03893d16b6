/** What every kind of driver says of itself. A driver is what a motion's progress comes from. */
import type { z } from 'zod';
import type { PinnedLayout, Layout } from '../page/index.ts';
import type { Placed, Range, Unplaced } from '../timeline/index.ts';

/** Something of the document that a driver points at, by its id. */
export interface Reference {
  list: 'pins' | 'triggers';
  id: string;
}

export interface DriverKind<D> {
  schema: z.ZodType<D>;
  /**
   * scrubbed: the scroll offset says how far it is; timed: it plays in time once it has begun; endless: it never stops; pointed: the pointer says
   * how far it is
   */
  progress: 'scrubbed' | 'timed' | 'endless' | 'pointed';
  /**
   * What its range points are: places of an element on its way through the scrollport, shares of the driver's own extent, or nothing that
   * can be seen on the page.
   */
  points: 'phases' | 'extent' | 'none';
  /** it is there for readers who ask for reduced motion, as far as a motion says so; nothing is held or runs endlessly for them */
  playsReduced: boolean;
  /** what of CSS plays it, and why, in a sentence */
  css: { needs: 'scroll timelines' | 'triggers' | 'animations' | 'script'; why: string };
  /** Resolves a range for one target element. Anything that cannot be placed says why. */
  place(driver: D, range: Range, target: number, layout: Layout | PinnedLayout): Placed | Unplaced;
  /** selectors that a layout has to know for it */
  selectors(driver: D): string[];
  withSelectors(driver: D, rename: (selector: string) => string): D;
  references(driver: D): Reference[];
  withReferences(driver: D, rename: (id: string) => string): D;
  /**
   * Of two motions with the same key a range point means the same offset to both; null: of no other motion. `target`: the selector of
   * the motion's targets.
   */
  measureKey(driver: D, target: string): string | null;
  /** where cues can be that its ends may hang on: a pin, null for the whole page, undefined for nowhere */
  cuesAt(driver: D): string | null | undefined;
  /** timed motions with the same key can wait for each other; null: it is not timed */
  stageKey(driver: D): string | null;
  /** what a preset says of it: what does not belong to one page */
  content(driver: D): unknown;
  /** `own`, with what a preset's driver of the same kind says */
  withContent(own: D, preset: D): D;
}

/** What most kinds say. */
export const PLAIN = {
  playsReduced: true,
  selectors: () => [],
  withSelectors: <D>(driver: D) => driver,
  references: () => [],
  withReferences: <D>(driver: D) => driver,
  measureKey: () => null,
  cuesAt: () => undefined,
  stageKey: () => null,
  content: () => null,
  withContent: <D>(own: D) => own,
};
