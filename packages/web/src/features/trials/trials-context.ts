/** What the parts of the trials share: what was found, the vertical view, and the place that is pointed at. */
import { createContext, useContext } from 'react';
import { createStore } from 'zustand/vanilla';
import type { Gesture, PinnedLayout, MotionDocument, TrialFrames, TrialSummary } from '@lyvek/core';
import type { Simulation } from '../../state/worker-task.ts';
import type { View } from '../../editor/strip/view.ts';

import type { Sweep } from './sizes/use-sweep.ts';
import type { Measured } from './use-measured.ts';

export interface Trials {
  layout: PinnedLayout;
  document: MotionDocument;
  /** the predicted trial that is shown; `stale`: outdated */
  prediction: Simulation;
  stale: boolean;
  /** the frames that are drawn, and what they amount to */
  frames: TrialFrames;
  summary: TrialSummary;
  /** totals by frame of the prediction, when what is drawn was measured */
  beside: TrialFrames | null;
  measured: Measured;
  sweep: Sweep;
  gesture: Gesture;
  view: View;
  rows: number;
  /** width of strip, ruler and bars together */
  costs: number;
  max: number;
}

export const TrialsContext = createContext<Trials | null>(null);

export function useTrials(): Trials {
  const value = useContext(TrialsContext);
  if (!value) throw new Error('used outside of the trials');
  return value;
}

/** What is pointed at, wherever it is: outside of the context, so that only what shows it is drawn anew. */
export const pointStore = createStore<{
  /** scroll offset under the pointer; null when nowhere */
  at: number | null;
  /** a motion pointed at in a list */
  motion: string | null;
}>(() => ({ at: null, motion: null }));
export const pointAt = (at: number | null): void => pointStore.setState({ at });
export const pointAtMotion = (motion: string | null): void => pointStore.setState({ motion });
