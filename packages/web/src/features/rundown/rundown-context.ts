/** What the parts of the Rundown share: the compiled take, findings, the vertical view, the chosen gesture. */
import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import { useShownPage } from '../../preview/shown-page.ts';
import { nearestBar } from '../../editor/model/bars.ts';
import { useTracked } from '../../state/tracked.ts';
import type { Source } from '../../state/tracked.ts';
import { dragStore } from './model/drag-store.ts';
import { findMatches, isRangeless } from '@lyvek/core';
import type { Finding, FrameClock, Gesture, PinnedLayout, MotionDocument, TrialFrames } from '@lyvek/core';
import type { Bar, Unplaced } from '../../editor/model/bars.ts';
import type { Grip } from './model/moves.ts';
import type { View } from '../../editor/strip/view.ts';

export interface Rundown {
  layout: PinnedLayout;
  measured: boolean;
  document: MotionDocument;
  bars: readonly Bar[];
  unplaced: readonly Unplaced[];
  findings: readonly Finding[];
  /** of the predicted trial; null before the first */
  frames: TrialFrames | null;
  /** findings and frames are outdated: they are shown, but no fix of theirs is applied */
  stale: boolean;
  view: View;
  setView(change: (v: View) => View): void;
  /** rows of the chart */
  rows: number;
  /** page px that the chart covers, and the largest scroll offset */
  pageHeight: number;
  max: number;
  gesture: Gesture;
  clock: FrameClock;
  selection: readonly string[];
  /** only the selected motions play in the preview */
  solo: boolean;
  setSolo(on: boolean): void;
  /** what is looked for in the lanes */
  query: string;
  setQuery(text: string): void;
  select(id: string | null, additive?: boolean): void;
  /** which end the arrows move */
  grip: Grip;
  setGrip(g: Grip): void;
  /** element chosen in the page or the strip, −1 for none */
  chosen: number;
  choose(element: number): void;
  adding: boolean;
  setAdding(on: boolean): void;
  playing: boolean;
  setPlaying(on: boolean): void;
  guides: boolean;
  setGuides(on: boolean): void;
  outlines: boolean;
  setOutlines(on: boolean): void;
  /** the page stays where it is when something else is selected */
  stays: boolean;
  setStays(on: boolean): void;
}

export const RundownContext = createContext<Source<Rundown> | null>(null);

export function useRundownSource(): Source<Rundown> {
  const source = useContext(RundownContext);
  if (!source) throw new Error('used outside of the Rundown');
  return source;
}

/** A part is drawn again only when something of it has changed that it reads. */
export const useRundown = (): Rundown => useTracked(useRundownSource());

/** The same, on the one of its elements that is nearest to where the page stands; while it is dragged, on the one that is dragged. */
export function useNearest(): Bar | null {
  const bar = useSingle();
  const { link } = useShownPage();
  const y = useStore(link.store, (s) => (bar?.others.length ? s.offset.y : 0));
  const dragged = useStore(dragStore, (s) => s.drag?.bar ?? null);
  if (!bar) return null;
  if (dragged?.motion.id === bar.motion.id)
    return { ...bar, element: dragged.element, placed: placedOn(bar, dragged.element) };
  return nearestBar(bar, y);
}

/** The same, of a motion with a range of the scroll. */
export function useRanged(): Bar | null {
  const bar = useNearest();
  return bar && !isRangeless(bar.motion.driver) ? bar : null;
}

/** The element that the selection is about: of a motion the nearest one that it moves, of a trigger or a pin its own; else the chosen one. */
export function useShownElement(): number {
  const bar = useNearest();
  const { document, layout, selection, chosen } = useRundown();
  if (bar) return bar.element;
  const [id] = selection;
  const motion = document.motions.find((m) => m.id === id);
  const selector =
    motion?.targets.selector ??
    document.triggers.find((t) => t.id === id)?.subject ??
    document.pins.find((p) => p.id === id)?.stage;
  const [own] = selector === undefined || selection.length > 1 ? [] : findMatches(layout, selector);
  return own ?? chosen;
}

const placedOn = (bar: Bar, element: number): Bar['placed'] =>
  bar.others[bar.otherElements.indexOf(element)] ?? bar.placed;

/** The bar of the only selected motion, or null. */
export function useSingle(): Bar | null {
  const { bars, selection } = useRundown();
  return selection.length === 1 ? (bars.find((b) => b.motion.id === selection[0]) ?? null) : null;
}
