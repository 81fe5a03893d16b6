/** Strip, ruler, lanes and playhead on one vertical scale. */
import { present } from '@lyvek/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import { useStore } from 'zustand';
import { arrange, computeBars } from '../../../editor/model/bars.ts';
import type { Bar, LaneSlot } from '../../../editor/model/bars.ts';
import { asOnPage, viewAlong } from '../../../editor/model/own-axis.ts';
import { clampView, offsetAt, toRow, zoomView } from '../../../editor/strip/view.ts';
import { useOpenedPage, useSettledDocument } from '../../../state/opened-page.ts';
import type { Grip } from '../model/moves.ts';
import { useRundown } from '../rundown-context.ts';
import { Foot } from './Foot.tsx';
import { Ground, Paints } from './Ground.tsx';
import { Lanes } from './Lanes.tsx';
import { findCueRoom, LANES } from './lanes.ts';
import { NameList, NAMES } from './NameList.tsx';
import { Playhead, PlayheadLine } from './Playhead.tsx';
import { Readout } from './Readout.tsx';
import { Ruler } from './Ruler.tsx';
import { Strip } from './Strip.tsx';
import { useClearLabels } from './use-clear-labels.ts';
import { useGrip } from './use-grip.ts';
import { dragStore } from '../model/drag-store.ts';
import { useLasso } from './use-lasso.ts';
import { chartText } from './text.ts';

export function Chart({ width }: { width: number }) {
  const { bars, view, setView, rows, pageHeight, selection, findings, layout, document, adding } =
    useRundown();
  const svg = useRef<SVGSVGElement>(null);
  const [hovered, setHovered] = useState<Bar | null>(null);
  const drag = useStore(dragStore, (s) => s.drag);
  const { slots, listed } = useSlots(width);
  // Where names stand in a column of their own, the lanes end before it.
  const lanesEnd = listed ? width - NAMES : width;
  const rowAt = (e: { clientY: number }) => e.clientY - present(svg.current).getBoundingClientRect().top;
  const onGrip = useLaneGrip(rowAt);
  useEffect(() => {
    const element = present(svg.current);
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      const row = rowAt(e);
      if (e.ctrlKey) setView((v) => zoomView(v, Math.exp(-e.deltaY / 300), row, pageHeight, rows));
      else setView((v) => clampView({ ...v, top: v.top + e.deltaY * v.per * 0.5 }, pageHeight, rows));
    };
    element.addEventListener('wheel', wheel, { passive: false });
    return () => element.removeEventListener('wheel', wheel);
  }, [setView, pageHeight, rows]);
  useClearLabels(svg, drag === null, [
    ...[bars, slots, view, rows, selection, findings, document, layout, hovered],
  ]);
  const lasso = useLasso(svg, slots);
  const slot = hovered && !drag ? slots.get(hovered.motion.id) : undefined;
  const onChart = useMemo(
    () => new Map([...slots].map(([id, s]) => [id, { ...s, x: LANES + s.x }])),
    [slots],
  );
  return (
    <svg
      ref={svg}
      className="chart"
      width={width}
      height={rows}
      aria-label={chartText.rundownOfThePage}
      onPointerLeave={() => setHovered(null)}
      role="group"
    >
      <Paints width={width} rows={rows} />
      <Ground width={width} onPointerDown={lasso.onPointerDown} />
      <Ruler />
      <PlayheadLine width={lanesEnd} />
      <Lanes width={lanesEnd} slots={slots} listed={listed} onGrip={onGrip} onHover={setHovered} />
      {listed && !adding && (
        <NameList
          left={lanesEnd + 4}
          slots={onChart}
          hovered={hovered?.motion.id ?? null}
          onHover={setHovered}
        />
      )}
      <Strip />
      <Playhead />
      <Readout slots={slots} left={LANES} right={width} />
      {hovered && !listed && slot?.label === 0 && (
        <text
          className="hover-name"
          x={LANES + slot.x + 12}
          y={toRow(asOnPage(hovered.placed, layout).start, view) + 9}
        >
          {hovered.motion.name}
        </text>
      )}
      {lasso.box && <rect className="lasso" {...lasso.box} />}
      <Foot left={LANES} width={width} />
      <Unplaced />
    </svg>
  );
}

/** A drag in the lanes, in offsets of what the bar is scrolled with. */
function useLaneGrip(rowAt: (e: { clientY: number }) => number) {
  const { view, layout } = useRundown();
  const start = useGrip();
  const now = useRef({ view, layout });
  now.current = { view, layout };
  return useMemo(
    () => (e: PointerEvent, bar: Bar, g: Grip) => {
      const along = viewAlong(bar.placed, now.current.layout, now.current.view);
      start(e, bar, g, (event) => offsetAt(rowAt(event), along));
    },
    // The grip reads what is current when it begins.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [],
  );
}

/** Columns follow the settled document: a bar does not jump aside while it is dragged. */
function useSlots(width: number): { slots: Map<string, LaneSlot>; listed: boolean } {
  const { layout, view } = useRundown();
  const settled = useSettledDocument();
  const before = useRef(new Map<string, LaneSlot>());
  return useMemo(() => {
    const bars = computeBars(settled, layout).bars.map((b) => ({ ...b, placed: asOnPage(b.placed, layout) }));
    const titles = layout.pinnedSpans.map((h) => h.start);
    const kept = findCueRoom(settled.cues);
    const place = (room: number) =>
      besideCues(arrange(bars, room - kept, view.per, before.current, titles), kept);
    const labelled = place(width - LANES);
    const bare = [...labelled.values()].filter((s) => s.label === 0).length;
    const listed = bare > MAX_BARE && width - LANES - NAMES > 180;
    const slots = listed ? withoutLabels(place(width - LANES - NAMES)) : labelled;
    before.current = slots;
    return { slots, listed };
  }, [settled, layout, width, view.per]);
}

/** Tabs of cues stand before all bars. */
const besideCues = (slots: Map<string, LaneSlot>, kept: number): Map<string, LaneSlot> =>
  kept ? new Map([...slots].map(([id, slot]) => [id, { ...slot, x: slot.x + kept }])) : slots;

/** So many bars may be without a label before all names stand in a list. */
const MAX_BARE = 6;
const withoutLabels = (slots: Map<string, LaneSlot>): Map<string, LaneSlot> =>
  new Map([...slots].map(([id, slot]) => [id, { ...slot, label: 0 }]));

/** Motions of the document that have no place on this page. */
function Unplaced() {
  const { unplaced, rows } = useRundown();
  const { session } = useOpenedPage();
  const [first] = unplaced;
  if (!first) return null;
  return (
    <g className="unplaced" onClick={() => session.select([first.motion.id])}>
      <text x={LANES + 10} y={rows - 24}>
        {unplaced.length === 1
          ? chartText.isNotOnThis(first.motion.name, first.reason)
          : chartText.motionsHaveNoPlace(unplaced.length)}
      </text>
    </g>
  );
}
