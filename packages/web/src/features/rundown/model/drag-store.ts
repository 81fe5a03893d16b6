/** What is being dragged right now, for readout, rail and guides. */
import { createStore } from 'zustand/vanilla';
import type { Bar } from '../../../editor/model/bars.ts';
import type { Grip } from './moves.ts';

export interface Dragging {
  bar: Bar;
  grip: Grip;
  /** where the dragged end lies now, and where it was */
  offset: number;
  was: number;
  caught: string | null;
  meeting: boolean;
}

export const dragStore = createStore<{ drag: Dragging | null }>(() => ({ drag: null }));
