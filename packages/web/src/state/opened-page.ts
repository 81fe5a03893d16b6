/** What is open: a page of a project, its takes, and the session of the shown one. It changes only when another take is opened. */
import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { PageFacts, ProjectFacts, TakeFacts } from '@lyvek/api';
import type { MotionDocument } from '@lyvek/core';
import { makeSeen, findSettled } from './take-session.ts';
import type { TakeSession } from './take-session.ts';

export interface OpenedPage {
  page: PageFacts;
  project: ProjectFacts;
  takes: TakeFacts[];
  take: TakeFacts;
  session: TakeSession;
}

export const OpenedPageContext = createContext<OpenedPage | null>(null);

export function useOpenedPage(): OpenedPage {
  const value = useContext(OpenedPageContext);
  if (!value) throw new Error('used outside of an opened page');
  return value;
}

/** The document as it is shown: under the media conditions that hold, and with a drag or a tried effect, if one is under way. */
export function useShownDocument(): MotionDocument {
  return useStore(useOpenedPage().session.store, makeSeen);
}

/** The same, without what is being tried. */
export function useSettledDocument(): MotionDocument {
  return useStore(useOpenedPage().session.store, findSettled);
}
