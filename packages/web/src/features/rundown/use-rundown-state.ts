/** What the Rundown knows and remembers while it is open: bars, findings, the vertical view, and what is chosen. */
import { useCallback, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { clockById, itemAt } from '@lyvek/core';
import type { Finding, Layout } from '@lyvek/core';
import { computeBars } from '../../editor/model/bars.ts';
import { clampView, fitView } from '../../editor/strip/view.ts';
import type { View } from '../../editor/strip/view.ts';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useQuestion, useSimulation } from '../../preview/use-simulation.ts';
import { useOpenedPage, useShownDocument } from '../../state/opened-page.ts';
import type { Grip } from './model/moves.ts';
import type { Rundown } from './rundown-context.ts';

const NO_FINDINGS: readonly Finding[] = [];
/** px of the row over the chart */
export const HEAD = 28;

type RundownState = Omit<Rundown, 'guides' | 'setGuides' | 'outlines' | 'setOutlines' | 'stays' | 'setStays'>;

/** `height`: px of the screen. */
export function useRundownState(height: number): RundownState {
  const { session } = useOpenedPage();
  const { viewport } = useShownPage();
  const { layout, known: measured } = useLayout();
  const document = useShownDocument();
  const selection = useStore(session.store, (s) => s.selection);
  const { question, gesture } = useQuestion();
  // Checks speak of what is done, not of what is being tried: a drag stays light.
  const { last, stale } = useSimulation();
  const [grip, setGrip] = useState<Grip>('body');
  const { chosen, choose } = useChosen(layout);
  const [adding, setAdding] = useState(false);
  const [playing, setPlaying] = useState(false);
  const [solo, setSolo] = useState(false);
  const [query, setQuery] = useState('');
  const rows = Math.max(200, height - HEAD);
  const max = itemAt(layout.scrollers, 0).max.block;
  const pageHeight = max + viewport.height;
  const { bars, unplaced } = useMemo(() => computeBars(document, layout), [document, layout]);
  const select = useCallback(
    (id: string | null, additive = false) => {
      const now = session.store.getState().selection;
      setGrip('body');
      if (id === null) return session.select([]);
      if (!additive) return session.select([id]);
      session.select(now.includes(id) ? now.filter((x) => x !== id) : [...now, id]);
    },
    [session],
  );
  return {
    ...{ layout, measured, document, bars, unplaced, stale, gesture, selection, select },
    ...{ rows, pageHeight, max, ...useView(pageHeight, rows) },
    ...{
      grip,
      setGrip,
      chosen,
      choose,
      adding,
      setAdding,
      playing,
      setPlaying,
      solo,
      setSolo,
      query,
      setQuery,
    },
    findings: last?.answer.findings ?? NO_FINDINGS,
    frames: last?.answer.frames ?? null,
    clock: clockById(question.clock),
  };
}

const NOTHING_PICKED = { selector: null, element: -1 };

/** The chosen element. It is known by its selector: places in the layout move whenever something else is measured. */
function useChosen(layout: Layout): Pick<Rundown, 'chosen' | 'choose'> {
  const [picked, setPicked] = useState<{ selector: string | null; element: number }>(NOTHING_PICKED);
  const chosen = useMemo(() => {
    const { selector, element } = picked;
    // Picked in a page that has just been measured: the layout that has it is on its way.
    if (selector === null) return element < layout.elements.length ? element : -1;
    return layout.elements.findIndex((e) => e.selector === selector);
  }, [layout, picked]);
  const choose = useCallback(
    (element: number) => setPicked({ selector: layout.elements[element]?.selector ?? null, element }),
    [layout],
  );
  return { chosen, choose };
}

/** The stretch of the page that the lanes show; at the whole page it keeps fitting when the page or the window changes. */
function useView(pageHeight: number, rows: number): Pick<Rundown, 'view' | 'setView'> {
  const [rawView, setRawView] = useState<View | null>(null);
  const view = useMemo(
    () => (rawView ? clampView(rawView, pageHeight, rows) : fitView(pageHeight, rows)),
    [rawView, pageHeight, rows],
  );
  const fitPer = fitView(pageHeight, rows).per;
  const setView = useCallback(
    (change: (v: View) => View) =>
      setRawView((raw) => {
        const next = clampView(change(raw ?? fitView(pageHeight, rows)), pageHeight, rows);
        return next.per >= fitPer * 0.999 ? null : next;
      }),
    [pageHeight, rows, fitPer],
  );
  return { view, setView };
}
