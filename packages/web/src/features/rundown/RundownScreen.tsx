/** The Rundown: the page on one vertical scale, its motions beside it, the live page, and the sheet of the chosen motion. */
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { clockById, isTimed } from '@lyvek/core';
import type { Finding } from '@lyvek/core';
import { useSize } from '../../ui/use-size.ts';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage, useSettledDocument, useShownDocument } from '../../state/opened-page.ts';
import { useQuestion, useSimulation } from '../../preview/use-simulation.ts';
import { AddMotion } from './add/AddMotion.tsx';
import { Chart } from './chart/Chart.tsx';
import { LANES } from './chart/lanes.ts';
import { HeadRow } from './HeadRow.tsx';
import { computeBars } from '../../editor/model/bars.ts';
import { keepKeyframes } from '../../editor/model/keyframes.ts';
import { clampView, fitView } from '../../editor/strip/view.ts';
import type { View } from '../../editor/strip/view.ts';
import type { Grip } from './model/moves.ts';
import { Preview } from './preview/Preview.tsx';
import { Transport } from './preview/Transport.tsx';
import { RundownContext } from './rundown-context.ts';
import type { Rundown } from './rundown-context.ts';
import { FindingsDock } from './inspector/FindingsDock.tsx';
import { Inspector } from './inspector/Inspector.tsx';
import { useKeys } from './use-keys.ts';

const NO_FINDINGS: readonly Finding[] = [];
const HEAD = 28;
const TRANSPORT = 40;
/** At 1280 × 800 the left side has 601 px and the sheet 322. */
const leftWidth = (w: number) =>
  Math.round(601 + Math.max(0, w - 1280) * 0.42 - Math.max(0, 1280 - w) * 0.45);
const sheetHeight = (h: number) => Math.round(Math.max(250, Math.min(420, 322 + (h - 756) * 0.3)));

export function RundownScreen() {
  const { session, page } = useOpenedPage();
  const { link, viewport } = useShownPage();
  const { layout, known: measured } = useLayout();
  const document = useShownDocument();
  const settled = useSettledDocument();
  const selection = useStore(session.store, (s) => s.selection);
  const { ref, width, height } = useSize();
  const { question, gesture } = useQuestion();
  const clock = clockById(question.clock);
  // Checks speak of what is done, not of what is being tried: a drag stays light.
  const { last, stale } = useSimulation();
  const [grip, setGrip] = useState<Grip>('body');
  const [chosen, choose] = useState(-1);
  const [adding, setAdding] = useState(false);
  const [playing, setPlaying] = useState(false);
  const [solo, setSolo] = useState(false);
  const [query, setQuery] = useState('');
  const [guides, setGuides] = useState(true);
  const [outlines, setOutlines] = useState(true);

  const rows = Math.max(200, height - HEAD);
  const max = layout.scrollers[0]!.max.block;
  const pageHeight = max + viewport.height;
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
        // At the whole page the view keeps fitting when the page or the window changes.
        return next.per >= fitPer * 0.999 ? null : next;
      }),
    [pageHeight, rows, fitPer],
  );

  const { bars, unplaced } = useMemo(() => computeBars(document, layout), [document, layout]);
  const findings = last?.answer.findings ?? NO_FINDINGS;

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

  const context: Rundown = {
    layout,
    measured,
    document,
    bars,
    unplaced,
    findings,
    frames: last?.answer.frames ?? null,
    stale,
    view,
    setView,
    rows,
    pageHeight,
    max,
    gesture,
    clock,
    selection,
    solo,
    setSolo,
    query,
    setQuery,
    select,
    grip,
    setGrip,
    chosen,
    choose,
    adding,
    setAdding,
    playing,
    setPlaying,
    guides,
    outlines,
  };
  useKeys(context);
  useEffect(() => keepKeyframes(selection), [selection]);

  /** A picked element with one motion selects it; without any it waits for + Motion. */
  const pick = useCallback(
    (element: number, additive: boolean, aside = false) => {
      choose(element);
      if (aside) return void ref.current?.focus({ preventScroll: true });
      const facts = layout.elements[element];
      if (!facts || adding) return;
      const own = bars.filter((b) => b.element === element).map((b) => b.motion.id);
      if (own.length)
        session.select(additive ? [...new Set([...session.store.getState().selection, own[0]!])] : [own[0]!]);
      else if (!additive) session.select([]);
      // Keys belong to the workbench again after a pick.
      ref.current?.focus({ preventScroll: true });
    },
    [layout, bars, session, adding, ref],
  );
  useEffect(() => link.on('picked', pick), [link, pick]);
  useEffect(
    () =>
      link.on('zoom', (delta) =>
        setView((v) => clampView({ ...v, per: v.per * Math.exp(delta / 300) }, pageHeight, rows)),
      ),
    [link, setView, pageHeight, rows],
  );

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
          <HeadRow left={left} setGuides={setGuides} setOutlines={setOutlines} side="left" />
          <div className="relative">
            <Chart width={left} />
            {adding && (
              <div className="add-holder" style={{ left: LANES, width: left - LANES, height: rows }}>
                <AddMotion />
              </div>
            )}
          </div>
        </div>
        <div className="rundown-right">
          <HeadRow left={left} setGuides={setGuides} setOutlines={setOutlines} side="right" />
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
