/** The page as it is shown: its link, the size of its viewport, and what is known of its layout there. */
import { createContext, useContext, useMemo, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { useStore } from 'zustand';
import type { PageVideos, PageWhole } from '@lyvek/api';
import { emptyLayout, isAdjusted, withPins, withVideoFiles } from '@lyvek/core';
import type { Layout, MotionDocument, PinnedLayout, Viewport } from '@lyvek/core';
import { api } from '../state/api.ts';
import { useOpenedPage } from '../state/opened-page.ts';
import { makeSeen, findSettled } from '../state/take-session.ts';
import type { TakeState } from '../state/take-session.ts';
import type { PageLink } from './page-link.ts';

export interface ShownPage {
  link: PageLink;
  viewport: Viewport;
  setViewport(v: Viewport): void;
  /** layouts that the server knows, for sizes that are not shown right now */
  stored: PageWhole['layouts'];
  /** takes in what has been measured of it in another frame */
  keepLayout(layout: Layout): void;
  reducedMotion: boolean;
  setReducedMotion(on: boolean): void;
}

export const ShownPageContext = createContext<ShownPage | null>(null);

export function useShownPage(): ShownPage {
  const value = useContext(ShownPageContext);
  if (!value) throw new Error('used outside of an opened page');
  return value;
}

const sameSize = (l: Layout, v: Viewport) => l.viewport.width === v.width && l.viewport.height === v.height;

const NO_VIDEOS: PageVideos['videos'] = [];

/** What the files of its videos say of themselves; a page under development has its files elsewhere. */
function useVideoFiles(): PageVideos['videos'] {
  const { page } = useOpenedPage();
  const { data } = useQuery({
    queryKey: ['videos', page.id, page.contentHash],
    queryFn: () => api.videos({ id: page.id }),
    enabled: !page.live,
    staleTime: Infinity,
  });
  return data?.videos ?? NO_VIDEOS;
}

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
  const { page, session } = useOpenedPage();
  const { link, viewport, stored, reducedMotion } = useShownPage();
  const condition = reducedMotion ? 'reduced-motion' : 'full-motion';
  const pins = useSame(useStore(session.store, listPins));
  const live = useStore(link.store, (s) => s.layout);
  const document = useStore(session.store, findSettled);
  const videos = useVideoFiles();
  const raw = live && sameSize(live, viewport) ? live : (stored.find((l) => sameSize(l, viewport)) ?? null);
  const whole = useMemo(
    () => withVideoFiles(raw ?? emptyLayout(viewport), videos, page.entry),
    [raw, viewport, videos, page.entry],
  );
  const layout = useMemo(() => withPins(whole, pins), [whole, pins]);
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
