/** What all modes of one opened page share. */
import { createContext, useContext, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import type { PageFacts, PageWhole, ProjectFacts, ProjectSettings, TakeFacts } from '@lyvek/api';
import { emptyLayout, isAdjusted, withPins } from '@lyvek/core';
import type { Direction, PinnedLayout, Layout, MotionDocument, Viewport } from '@lyvek/core';
import type { WorkerTask } from '../data/worker-task.ts';
import type { Survey } from '../data/survey.ts';
import { makeSeen, findSettled } from '../data/take-session.ts';
import type { TakeSession, TakeState } from '../data/take-session.ts';
import type { LinkEvents, PageLink } from '../parts/page-link.ts';

/** How the page is tried: shared by the Rundown and the trials. */
export interface Choice {
  /** id of a gesture, or “trace ” and the name of a recorded one */
  gesture: string;
  clock: string;
  direction: Direction;
  device: string;
}

export interface OpenedPage {
  page: PageFacts;
  project: ProjectFacts;
  takes: TakeFacts[];
  take: TakeFacts;
  session: TakeSession;
  link: PageLink;
  /** what the shown page calls; a screen sets what it wants to hear */
  events: Partial<LinkEvents>;
  viewport: Viewport;
  setViewport(v: Viewport): void;
  /** layouts that the server knows, for sizes that are not shown right now */
  stored: PageWhole['layouts'];
  reducedMotion: boolean;
  setReducedMotion(on: boolean): void;
  choice: Choice;
  choose(change: Partial<Choice>): void;
  simulations: WorkerTask<'trial'>;
  /** measures the page at other sizes */
  survey: Survey;
  sweeps: WorkerTask<'sweep'>;
  ways: WorkerTask<'ways'>;
  settings: ProjectSettings;
  /** shows and stores them; an error is told and put back */
  putSettings(settings: ProjectSettings): void;
}

export const PageContext = createContext<OpenedPage | null>(null);

export function useOpenedPage(): OpenedPage {
  const value = useContext(PageContext);
  if (!value) throw new Error('used outside of an opened page');
  return value;
}

const sameSize = (l: Layout, v: Viewport) => l.viewport.width === v.width && l.viewport.height === v.height;

interface KnownLayout {
  layout: PinnedLayout;
  /** it is of this size; else it is empty */
  known: boolean;
  /** it is of this size, and of the page as the document adjusts it; else it may be drawn and is not judged */
  measured: boolean;
  /** of other sizes */
  others: Layout[];
}

/** The same list again as long as nothing in it has changed. */
function useSame<T>(list: T): T {
  const [kept, keep] = useState(list);
  if (kept === list) return kept;
  if (JSON.stringify(kept) === JSON.stringify(list)) return kept;
  keep(list);
  return list;
}

function useLayoutWith(listPins: (s: TakeState) => MotionDocument['pins']): KnownLayout {
  const { link, viewport, stored, session, reducedMotion } = useOpenedPage();
  const condition = reducedMotion ? 'reduced-motion' : 'full-motion';
  const pins = useSame(useStore(session.store, listPins));
  const live = useStore(link.store, (s) => s.layout);
  const document = useStore(session.store, findSettled);
  const raw = live && sameSize(live, viewport) ? live : (stored.find((l) => sameSize(l, viewport)) ?? null);
  const layout = useMemo(() => withPins(raw ?? emptyLayout(viewport), pins), [raw, viewport, pins]);
  const known = raw !== null;
  const measured = known && isAdjusted(raw, document, condition);
  const others = useMemo(
    () => stored.filter((l) => !sameSize(l, viewport) && isAdjusted(l, document, condition)),
    [stored, viewport, document, condition],
  );
  return useMemo(() => ({ layout, known, measured, others }), [layout, known, measured, others]);
}
const shownPins = (s: TakeState) => makeSeen(s).pins;
const settledPins = (s: TakeState) => findSettled(s).pins;

/**
 * The layout at the chosen size: as measured now, else as stored, else an empty one. It has the pins of the shown document, so that everything below follows at once while one is
 * being changed.
 */
export const useLayout = (): KnownLayout => useLayoutWith(shownPins);

/** The same with the pins of what is done: what is only being tried changes nothing here. */
export const useSettledLayout = (): KnownLayout => useLayoutWith(settledPins);

/** The document as it is shown: under the media conditions that hold, and with a drag or a tried effect, if one is under way. */
export function useShownDocument(): MotionDocument {
  return useStore(useOpenedPage().session.store, makeSeen);
}

/** The same, without what is being tried. */
export function useSettledDocument(): MotionDocument {
  return useStore(useOpenedPage().session.store, findSettled);
}
