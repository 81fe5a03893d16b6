/** What the parts of the comparison share: both sides, the axis of the strips, the enlarged offset, the chosen motion. */
import { createContext, useContext } from 'react';
import type { StoreApi } from 'zustand/vanilla';
import type { PageFacts, ReferenceFacts } from '@lyvek/api';
import type { Differences, PinnedLayout, Layout, MotionDocument, Px, CompiledTimeline } from '@lyvek/core';
import type { TakeSession } from '../../state/take-session.ts';
import type { Dress } from '../../preview/sent-dress.ts';
import type { Axis } from './model/axis.ts';

export interface TakeSide {
  kind: 'take';
  name: string;
  /** “rev 58, made from CompiledTimeline A” */
  note: string;
  page: PageFacts;
  /** with all its media conditions, as it is stored */
  whole: MotionDocument;
  /** as it is seen on the screen that is looked at */
  document: MotionDocument;
  /** null until the page has been measured */
  layout: PinnedLayout | null;
  take: CompiledTimeline | null;
  dress: Dress | null;
  /** where it can be changed */
  session: TakeSession | null;
  /** of another page, which has to be measured first */
  measured?(layout: Layout): void;
}
export interface PicturesSide {
  kind: 'pictures';
  name: string;
  note: string;
  set: ReferenceFacts;
}
export type Side = TakeSide | PicturesSide;
export type Letter = 'a' | 'b';

export interface Looking {
  axis: Axis;
  /** the enlarged offset */
  at: Px;
  /** share of the window that shows the left side, 0 … 1 */
  wipe: number;
  /** the side that is held down, and shown whole */
  whole: Letter | null;
  /** id of the motion whose curves are shown, and its property */
  motion: string | null;
  property: string | null;
}

export interface Takes {
  a: Side;
  b: TakeSide;
  /** what differs; null where the sides are not takes of one page */
  differences: Differences | null;
  /** share of the window that shows something else at an offset; null where that cannot be known */
  difference: ((y: Px) => number) | null;
  looking: StoreApi<Looking>;
  max: Px;
}

export const TakesContext = createContext<Takes | null>(null);

export function useTakes(): Takes {
  const value = useContext(TakesContext);
  if (!value) throw new Error('used outside of the takes');
  return value;
}
