/** The steps of the tour: what each points at, and when it has been done. Its words stand in `text.ts`. */
import type { Placement } from '@floating-ui/react';
import { isScrubbed } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { tourText } from '../text.ts';

/** What the steps look at. */
export interface TourFacts {
  /** px the page is scrolled */
  offset: number;
  document: MotionDocument;
  selection: readonly string[];
  path: string;
}

export interface TourStep {
  title: string;
  /** what it shows */
  text: string;
  /** what to do now */
  act: string;
  /** the part of the screen that it is about; null: none, the card stands by itself */
  anchor: string | null;
  placement: Placement;
  /** whether it was done, given how things were when it began */
  isDone(now: TourFacts, before: TourFacts): boolean;
}

const SCROLLED_PX = 400;

export const TOUR_STEPS: readonly TourStep[] = [
  {
    ...tourText.scroll,
    anchor: '[data-tour=page]',
    placement: 'left-start',
    isDone: (now, before) => Math.abs(now.offset - before.offset) > SCROLLED_PX,
  },
  {
    ...tourText.bar,
    anchor: '[data-tour=lanes]',
    placement: 'right-start',
    isDone: ({ selection, document }) =>
      document.motions.some((m) => isScrubbed(m.driver) && selection.length === 1 && m.id === selection[0]),
  },
  {
    ...tourText.range,
    anchor: '[data-tour=sheet]',
    placement: 'left-start',
    isDone: (now, before) =>
      now.document !== before.document && now.document.motions.length === before.document.motions.length,
  },
  {
    ...tourText.add,
    anchor: '[data-tour=add]',
    placement: 'bottom-end',
    isDone: (now, before) => now.document.motions.length > before.document.motions.length,
  },
  {
    ...tourText.handOff,
    anchor: '[data-tour=hand-off]',
    placement: 'bottom-start',
    isDone: ({ path }) => path.endsWith('/hand-off'),
  },
];
