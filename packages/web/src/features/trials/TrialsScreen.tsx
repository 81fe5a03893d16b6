/** Trials: what every frame costs along the page, how the damping feels, how smoothly motions go, and what the checks found. */
import { useEffect, useMemo } from 'react';
import { clockById, summarize, itemAt } from '@lyvek/core';
import { fitView } from '../../editor/strip/view.ts';
import { useSize } from '../../ui/use-size.ts';
import { useUndoKeys } from '../../state/use-undo-keys.ts';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage, useSettledDocument } from '../../state/opened-page.ts';
import { useQuestion, useSimulation } from '../../preview/use-simulation.ts';
import { Costs } from './Costs.tsx';
import { Findings } from './Findings.tsx';
import { Gestures } from './Gestures.tsx';
import { ResultTabs } from './ResultTabs.tsx';
import { Summary } from './Summary.tsx';
import { UnseenPage } from './damping/UnseenPage.tsx';
import { TrialsContext } from './trials-context.ts';
import { MeasuredSizes } from './sizes/MeasuredSizes.tsx';
import { useSweep } from './sizes/use-sweep.ts';
import { useMeasured } from './use-measured.ts';
import { trialsScreenText } from './text.ts';

/** Below this width the costs give way to what stands beside them. */
const NARROW = 1200;
const STACKED = 900;
const STACKED_ROWS = 320;
const COSTS = { wide: 440, narrow: 320 };
const HEAD = 28;
/** Room for the legend under the chart. */
const FOOT = 52;

export function TrialsScreen() {
  const { page, session } = useOpenedPage();
  const { viewport } = useShownPage();
  const { layout, measured } = useLayout();
  const document = useSettledDocument();
  const { gesture } = useQuestion();
  const { last, failed, stale } = useSimulation();
  const { ref, width, height } = useSize();
  const costs = width < NARROW ? COSTS.narrow : COSTS.wide;
  useUndoKeys(session);
  useEffect(() => {
    window.document.title = `Trials · ${page.name} · Lyvek`;
  }, [page.name]);
  // Panes that stand one below the other do not share the window’s height.
  const rows =
    width < STACKED ? STACKED_ROWS : Math.max(200, height - HEAD - (width < NARROW ? 2 : 1) * FOOT);
  const max = itemAt(layout.scrollers, 0).max.block;
  const view = useMemo(() => fitView(Math.max(1, max), rows), [max, rows]);
  const trials = useMeasured();
  const sweep = useSweep();
  const { shown } = trials;
  const summary = useMemo(() => {
    if (!last) return null;
    return shown
      ? summarize(shown.result.frames, clockById(shown.setup.clock).refresh)
      : summarize(last.answer.frames, clockById(last.question.clock).refresh);
  }, [last, shown]);
  const note = !measured
    ? `Measuring the page at ${viewport.width} × ${viewport.height} …`
    : max <= 0
      ? `At ${viewport.width} × ${viewport.height} this page is not longer than the window: there is nothing to scroll, so there is nothing to try.`
      : failed && !last
        ? `The trial failed: ${failed}.`
        : null;
  return (
    <div className="trials" ref={ref} style={{ gridTemplateColumns: `${costs}px minmax(0, 1fr)` }}>
      <UnseenPage />
      <MeasuredSizes />
      {note !== null || !last || !summary ? (
        <p className="empty-note" role="status">
          {note ?? trialsScreenText.computing}
        </p>
      ) : (
        <TrialsContext
          value={{
            layout,
            document,
            prediction: last,
            stale,
            frames: shown ? shown.result.frames : last.answer.frames,
            beside: trials.beside?.result.frames ?? (shown ? last.answer.frames : null),
            measured: trials,
            sweep,
            summary,
            gesture,
            view,
            rows,
            costs,
            max,
          }}
        >
          <Costs />
          <div className="trials-right">
            <Gestures />
            <Summary failed={failed} />
            <div className="trials-columns">
              <ResultTabs />
              <Findings />
            </div>
          </div>
        </TrialsContext>
      )}
    </div>
  );
}
