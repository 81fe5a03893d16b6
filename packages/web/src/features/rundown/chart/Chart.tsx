/** Strip, ruler, lanes and playhead on one vertical scale. */
import { asScroll, isAtLoad } from '@lyvek/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import { useStore } from 'zustand';
import { useOpenedPage, useSettledDocument } from '../../../state/opened-page.ts';
import { arrange, computeBars } from '../../../editor/model/bars.ts';
import type { Bar, LaneSlot } from '../../../editor/model/bars.ts';
import type { Grip } from '../model/moves.ts';
import { clampView, offsetAt, toRow, computeTicks, zoomView } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { BarMark } from './BarMark.tsx';
import { placeFlags } from '../model/flags.ts';
import { finds } from '../model/find.ts';
import { CueTab } from './CueTab.tsx';
import { FlagMark, LoadMark } from './FlagMark.tsx';
import { Foot } from './Foot.tsx';
import { MutedPin, PinMark, PinTitle } from './PinMark.tsx';
import { mutedAt } from '../../../editor/model/pins.ts';
import { Playhead } from './Playhead.tsx';
import { Readout } from './Readout.tsx';
import { Ruler } from './Ruler.tsx';
import { Strip } from './Strip.tsx';
import { LANES } from './lanes.ts';
import { dragStore, useGrip } from './use-grip.ts';
import { useClearLabels } from './use-clear-labels.ts';
import { useLasso } from './use-lasso.ts';

export function Chart({ width }: { width: number }) {
  const rundown = useRundown();
  const {
    bars,
    view,
    setView,
    rows,
    pageHeight,
    max,
    selection,
    findings,
    grip,
    layout,
    unplaced,
    adding,
    document,
    select,
    query,
  } = rundown;
  const { session } = useOpenedPage();
  const settled = useSettledDocument();
  const svg = useRef<SVGSVGElement>(null);
  const [hovered, setHovered] = useState<Bar | null>(null);
  const drag = useStore(dragStore, (s) => s.drag);
  const start = useGrip();
  // Columns follow the settled document: a bar does not jump aside while it is dragged.
  const before = useRef(new Map<string, LaneSlot>());
  const slots = useMemo(
    () =>
      (before.current = arrange(
        computeBars(settled, layout).bars,
        width - LANES,
        view.per,
        before.current,
        layout.pinnedSpans.map((h) => h.start),
      )),
    [settled, layout, width, view.per],
  );
  const makeFinding = useMemo(() => new Map(findings.toReversed().map((f) => [f.about, f])), [findings]);
  const chosen = useMemo(() => new Set(selection), [selection]);

  const { flags } = useMemo(() => placeFlags(document, layout), [document, layout]);
  const searching = query.trim() !== '';
  const loads = document.motions.filter((m) => isAtLoad(m.driver));
  // Brackets stand at the left of the first column.
  const pinLeft = Math.max(
    12,
    Math.min(
      ...bars
        .filter((b) => !asScroll(b.motion.driver))
        .map((b) => (slots.get(b.motion.id)?.x ?? Infinity) - 17),
      60,
    ),
  );

  const rowAt = (e: { clientY: number }) => e.clientY - svg.current!.getBoundingClientRect().top;
  const viewNow = useRef(view);
  viewNow.current = view;
  const onGrip = useMemo(
    () => (e: PointerEvent, bar: Bar, g: Grip) => {
      const at = viewNow.current;
      start(e, bar, g, (event) => offsetAt(rowAt(event), at));
    },
    // The grip reads what is current when it begins.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [],
  );

  useEffect(() => {
    const element = svg.current!;
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
    bars,
    slots,
    view,
    rows,
    selection,
    findings,
    document,
    layout,
    hovered,
  ]);
  const lasso = useLasso(svg, slots);
  const end = toRow(max, view);
  return (
    <svg
      ref={svg}
      className="chart"
      width={width}
      height={rows}
      aria-label="Rundown of the page"
      role="group"
    >
      <defs>
        <linearGradient id="eased" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="var(--pass)" stopOpacity="0.08" />
          <stop offset="1" stopColor="var(--pass)" stopOpacity="0.88" />
        </linearGradient>
        <linearGradient id="eased-pin" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="var(--pin)" stopOpacity="0.08" />
          <stop offset="1" stopColor="var(--pin)" stopOpacity="0.88" />
        </linearGradient>
        <pattern id="beyond" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V6" stroke="var(--line)" />
        </pattern>
        <clipPath id="lanes-clip">
          <rect x={0} y={0} width={width - LANES} height={rows} />
        </clipPath>
      </defs>
      <rect
        className="lanes-ground"
        x={LANES}
        y={0}
        width={width - LANES}
        height={rows}
        onPointerDown={lasso.onPointerDown}
      />
      <path
        className="grid"
        d={computeTicks(view, rows, max)
          .filter((t) => t.major)
          .map((t) => `M${LANES} ${toRow(t.offset, view)}H${width}`)
          .join('')}
      />
      {end < rows && (
        <>
          <rect
            x={LANES}
            y={end}
            width={width - LANES}
            height={rows - end}
            fill="url(#beyond)"
            pointerEvents="none"
          />
          <path className="page-end" d={`M${LANES} ${end}H${width}`} />
        </>
      )}
      <path className="rules" d={`M88.5 0V${rows}M143.5 0V${rows}`} />
      <Ruler />
      <g
        transform={`translate(${LANES} 0)`}
        clipPath="url(#lanes-clip)"
        visibility={adding ? 'hidden' : undefined}
      >
        {layout.pinnedSpans.map((hold) => {
          const pin = document.pins.find((p) => p.id === hold.id);
          return pin ? (
            <PinMark
              key={pin.id}
              pin={pin}
              hold={hold}
              left={pinLeft}
              width={width - LANES}
              view={view}
              selected={chosen.has(pin.id)}
            />
          ) : null;
        })}
        {document.pins
          .filter((p) => !p.on)
          .map((pin) => (
            <MutedPin
              key={pin.id}
              pin={pin}
              at={mutedAt(pin, layout)}
              left={pinLeft}
              view={view}
              selected={chosen.has(pin.id)}
            />
          ))}
        {flags.map((flag) => (
          <FlagMark
            key={flag.trigger.id}
            flag={flag}
            x={width - LANES - 128}
            view={view}
            rows={rows}
            selected={chosen.has(flag.trigger.id) || flag.parts.some((p) => chosen.has(p.id))}
            onSelect={select}
          />
        ))}
        {loads.length > 0 && (
          <LoadMark
            loads={loads}
            x={width - LANES - 128}
            view={view}
            selected={loads.some((m) => chosen.has(m.id))}
            onSelect={select}
          />
        )}
        {inSight(bars, view, rows).map((bar) => {
          const slot = slots.get(bar.motion.id);
          return slot ? (
            <BarMark
              key={bar.motion.id}
              bar={bar}
              slot={slot}
              view={view}
              rows={rows}
              width={width - LANES}
              selected={chosen.has(bar.motion.id)}
              single={selection.length === 1 && chosen.has(bar.motion.id)}
              grip={grip}
              finding={makeFinding.get(bar.motion.id)}
              faded={searching && !finds(query, bar.motion, findings)}
              dragged={drag?.bar.motion.id === bar.motion.id ? drag.grip : null}
              onGrip={onGrip}
              onHover={setHovered}
            />
          ) : null;
        })}
        {layout.pinnedSpans.map((hold) => {
          const pin = document.pins.find((p) => p.id === hold.id);
          return pin ? <PinTitle key={pin.id} pin={pin} hold={hold} left={pinLeft} view={view} /> : null;
        })}
        {document.cues.map((cue) => (
          <CueTab key={cue.id} cue={cue} x={pinLeft - 4} view={view} selected={chosen.has(cue.id)} />
        ))}
      </g>
      <Strip />
      <Playhead width={width} />
      <Readout slots={slots} left={LANES} right={width} />
      {hovered && !drag && slots.get(hovered.motion.id)?.label === 0 && (
        <text
          className="hover-name"
          x={LANES + slots.get(hovered.motion.id)!.x + 12}
          y={toRow(hovered.placed.start, view) + 9}
        >
          {hovered.motion.name}
        </text>
      )}
      {lasso.box && <rect className="lasso" {...lasso.box} />}
      <Foot left={LANES} width={width} />
      {unplaced.length > 0 && (
        <g className="unplaced" onClick={() => session.select([unplaced[0]!.motion.id])}>
          <text x={LANES + 10} y={rows - 24}>
            {unplaced.length === 1
              ? `“${unplaced[0]!.motion.name}” is not on this page: ${unplaced[0]!.reason}.`
              : `${unplaced.length} motions have no place on this page.`}
          </text>
        </g>
      )}
    </svg>
  );
}

/** Rows beyond the lanes that a label, a handle or a fan may reach. */
const BEYOND = 60;

/** Bars that the lanes show some part of; of thousands only these are drawn. */
const inSight = (bars: readonly Bar[], view: View, rows: number): Bar[] => {
  const [from, to] = [offsetAt(-BEYOND, view), offsetAt(rows + BEYOND, view)];
  return bars.filter(({ placed, others }) => {
    const last = others.length ? Math.max(placed.end, ...others.slice(0, 24).map((o) => o.end)) : placed.end;
    return placed.start <= to && Math.max(placed.start, last) >= from;
  });
};
