/** The Rundown: the page on one vertical scale, its motions beside it, the live page, and the sheet of the chosen motion. */
import { useCallback, useEffect, useState } from 'react';
import type { RefObject } from 'react';
import { isTimed, itemAt } from '@lyvek/core';
import { keepKeyframes } from '../../editor/model/keyframes.ts';
import { clampView } from '../../editor/strip/view.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage, useSettledDocument } from '../../state/opened-page.ts';
import { useSize } from '../../ui/use-size.ts';
import { AddMotion } from './add/AddMotion.tsx';
import { Chart } from './chart/Chart.tsx';
import { LANES } from './chart/lanes.ts';
import { HeadRow } from './HeadRow.tsx';
import { FindingsDock } from './inspector/FindingsDock.tsx';
import { Inspector } from './inspector/Inspector.tsx';
import { Preview } from './preview/Preview.tsx';
import { Transport } from './preview/Transport.tsx';
import { RundownContext } from './rundown-context.ts';
import type { Rundown } from './rundown-context.ts';
import { useKeys } from './use-keys.ts';
import { HEAD, useRundownState } from './use-rundown-state.ts';

const TRANSPORT = 40;
/** At 1280 × 800 the left side has 601 px and the sheet 322. */
const leftWidth = (w: number) =>
  Math.round(601 + Math.max(0, w - 1280) * 0.42 - Math.max(0, 1280 - w) * 0.45);
const sheetHeight = (h: number) => Math.round(Math.max(250, Math.min(420, 322 + (h - 756) * 0.3)));

export function RundownScreen() {
  const { page } = useOpenedPage();
  const { link } = useShownPage();
  const settled = useSettledDocument();
  const { ref, width, height } = useSize();
  const rundown = useRundownState(height);
  const { measured, stale, selection, adding } = rundown;
  const [guides, setGuides] = useState(true);
  const [outlines, setOutlines] = useState(true);
  const context = { ...rundown, guides, outlines };
  useKeys(context);
  useEffect(() => keepKeyframes(selection), [selection]);
  usePicking(context, ref);
  useEffect(() => {
    window.document.title = `${page.name} · Lyvek`;
  }, [page.name]);
  // The shelf may have asked for a place on the page.
  useEffect(() => {
    const at = Number(new URLSearchParams(location.search).get('at'));
    if (!at) return;
    return link.store.subscribe((s, before) => {
      if (s.layout && !before.layout) link.scrollTo(at);
    });
  }, [link]);

  const left = leftWidth(width);
  const right = width - left;
  // Time needs room to run down, so a trigger’s sheet rises.
  // Of what is done: nothing changes its size because something is being tried.
  const timed =
    selection.length === 1 &&
    (settled.triggers.some((g) => g.id === selection[0]) ||
      settled.motions.some((m) => m.id === selection[0] && isTimed(m.driver)));
  const sheet = timed ? Math.max(sheetHeight(height), Math.min(442, height - 310)) : sheetHeight(height);
  const previewHeight = height - HEAD - TRANSPORT - sheet - 6;
  const headRow = { left, setGuides, setOutlines };
  return (
    <RundownContext value={context}>
      <div
        className="rundown"
        ref={ref}
        data-settled={measured && !stale}
        tabIndex={-1}
        style={{ gridTemplateColumns: `${left}px minmax(0, 1fr)` }}
      >
        <div className="rundown-left">
          <HeadRow {...headRow} side="left" />
          <div className="relative">
            <Chart width={left} />
            {adding && (
              <div className="add-holder" style={{ left: LANES, width: left - LANES, height: rundown.rows }}>
                <AddMotion />
              </div>
            )}
          </div>
        </div>
        <div className="rundown-right">
          <HeadRow {...headRow} side="right" />
          <div className="preview-holder">
            <Preview width={right - 20} height={previewHeight} />
          </div>
          <Transport />
          <div className="inspector-holder" style={{ height: sheet }}>
            <div className="inspector-scroll">
              <Inspector />
            </div>
            <FindingsDock />
          </div>
        </div>
      </div>
    </RundownContext>
  );
}

type Picking = Pick<Rundown, 'layout' | 'bars' | 'adding' | 'choose' | 'setView' | 'pageHeight' | 'rows'>;

/** What people do in the page: a picked element with one motion selects it, without any it waits for + Motion; Ctrl and wheel zoom the lanes. */
function usePicking(
  { layout, bars, adding, choose, setView, pageHeight, rows }: Picking,
  workbench: RefObject<HTMLDivElement | null>,
): void {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const pick = useCallback(
    (element: number, additive: boolean, aside = false) => {
      choose(element);
      // Keys belong to the workbench again after a pick.
      const focus = () => workbench.current?.focus({ preventScroll: true });
      if (aside) return focus();
      if (!layout.elements[element] || adding) return;
      const own = bars.filter((b) => b.element === element).map((b) => b.motion.id);
      if (own.length)
        session.select(
          additive ? [...new Set([...session.store.getState().selection, itemAt(own, 0)])] : [itemAt(own, 0)],
        );
      else if (!additive) session.select([]);
      focus();
    },
    [layout, bars, session, adding, choose, workbench],
  );
  useEffect(() => link.on('picked', pick), [link, pick]);
  useEffect(
    () =>
      link.on('zoom', (delta) =>
        setView((v) => clampView({ ...v, per: v.per * Math.exp(delta / 300) }, pageHeight, rows)),
      ),
    [link, setView, pageHeight, rows],
  );
}
