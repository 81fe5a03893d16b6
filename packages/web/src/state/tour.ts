/** The guided tour: where it runs and how far it is. This browser remembers it, so that it can be left and resumed. */
import { createStore } from 'zustand/vanilla';
import * as z from 'zod';
import { present } from '@lyvek/core';
import { api } from './api.ts';

const StoredTour = z.object({
  pageId: z.string(),
  takeId: z.string(),
  /** which step, from 0 */
  step: z.number().int().min(0),
  /** left for now: it is not shown, and can be resumed */
  left: z.boolean(),
});
export type Tour = z.infer<typeof StoredTour>;

const KEY = 'lyvek-tour';

function readTour(): Tour | null {
  try {
    return StoredTour.parse(JSON.parse(localStorage.getItem(KEY) ?? ''));
  } catch {
    // None was begun, or it was not stored by us.
    return null;
  }
}

export const tourStore = createStore<{ tour: Tour | null }>(() => ({ tour: readTour() }));

/** null: it is over. */
export function setTour(tour: Tour | null): void {
  tourStore.setState({ tour });
  if (tour) localStorage.setItem(KEY, JSON.stringify(tour));
  else localStorage.removeItem(KEY);
}

const toPath = ({ pageId, takeId }: Tour) => `/pages/${pageId}?take=${takeId}`;

/**
 * Resumes the tour where it was left, or begins it on a take of its own, so that nothing of the demo changes.
 * Returns the path to open. Fails with an `ApiError`, or an `Error` where there is no demo project any more.
 */
export async function openTour(): Promise<string> {
  const { tour } = tourStore.getState();
  if (tour && (await isThere(tour))) {
    setTour({ ...tour, left: false });
    return toPath(tour);
  }
  const { projects } = await api.projects();
  const demo = projects.find((p) => p.demo);
  if (!demo) throw new Error(NO_DEMO);
  const { pages } = await api.shelf({ id: demo.id });
  const page = pages.find((p) => p.name === TOUR_PAGE) ?? pages[0];
  if (!page) throw new Error(NO_DEMO);
  const { takes } = await api.page({ id: page.id });
  const source = await api.take({ id: present(takes[0]).id });
  const { document, revision } = source;
  const own = takes.find((t) => t.name === TAKE_NAME);
  const take =
    own ??
    (await api.createTake({
      id: page.id,
      body: { document, name: TAKE_NAME, madeFrom: { takeId: source.id, revision } },
    }));
  const begun = { pageId: page.id, takeId: take.id, step: 0, left: false };
  setTour(begun);
  return toPath(begun);
}

const TOUR_PAGE = 'A Night on the Mountain';
const TAKE_NAME = 'Tour';
const NO_DEMO = 'The demo project is not there any more. “npm run reset-demo” brings it back.';

const isThere = (tour: Tour): Promise<boolean> =>
  api.page({ id: tour.pageId }).then(
    ({ takes }) => takes.some((t) => t.id === tour.takeId),
    () => false,
  );
