/** The lanes: pins with their titles, triggers, what plays at page load, bars, and cues. */
import { useMemo } from 'react';
import type { PointerEvent } from 'react';
import { useStore } from 'zustand';
import { asScroll, isAtLoad, isPointed } from '@lyvek/core';
import type { Layout, Pin, PinnedSpan } from '@lyvek/core';
import type { Bar, LaneSlot } from '../../../editor/model/bars.ts';
import { viewAlong } from '../../../editor/model/own-axis.ts';
import { mutedAt } from '../../../editor/model/pins.ts';
import { offsetAt } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';
import { finds } from '../model/find.ts';
import { placeFlags } from '../model/flags.ts';
import type { Flag } from '../model/flags.ts';
import type { Grip } from '../model/moves.ts';
import { useRundown } from '../rundown-context.ts';
import { BarMark } from './BarMark.tsx';
import { CueTab } from './CueTab.tsx';
import { FlagMark, LoadMark } from './FlagMark.tsx';
import { findCueRoom, LANES } from './lanes.ts';
import { OwnAxes } from './OwnAxes.tsx';
import { OwnMarks } from './OwnMarks.tsx';
import { MutedPin, PinMark, PinTitle } from './PinMark.tsx';
import { dragStore } from '../model/drag-store.ts';

interface LanesProps {
  width: number;
  slots: ReadonlyMap<string, LaneSlot>;
  /** names stand beside the lanes */
  listed: boolean;
  onGrip(e: PointerEvent, bar: Bar, grip: Grip): void;
  onHover(bar: Bar | null): void;
}

export function Lanes({ width, slots, listed, onGrip, onHover }: LanesProps) {
  const { bars, view, document, layout, selection, adding } = useRundown();
  const chosen = useMemo(() => new Set(selection), [selection]);
  const cueRoom = findCueRoom(document.cues);
  const left = findPinLeft(bars, slots, cueRoom);
  const pinned = layout.pinnedSpans.flatMap((hold): { pin: Pin; hold: PinnedSpan }[] => {
    const pin = document.pins.find((p) => p.id === hold.id);
    return pin ? [{ pin, hold }] : [];
  });
  const { flags } = useMemo(() => placeFlags(document, layout), [document, layout]);
  const flagX = width - LANES - (listed ? 22 : 128);
  return (
    <g
      transform={`translate(${LANES} 0)`}
      clipPath="url(#lanes-clip)"
      visibility={adding ? 'hidden' : undefined}
    >
      {pinned.map(({ pin, hold }) => (
        <PinMark
          key={pin.id}
          {...{ pin, hold, left, view }}
          width={width - LANES}
          selected={chosen.has(pin.id)}
          cueRoom={cueRoom}
        />
      ))}
      {document.pins
        .filter((p) => !p.on)
        .map((pin) => (
          <MutedPin
            key={pin.id}
            {...{ pin, left, view }}
            at={mutedAt(pin, layout)}
            selected={chosen.has(pin.id)}
          />
        ))}
      <OwnMarks />
      <OwnAxes {...{ slots, flags, flagX }} />
      <Flags {...{ flags, chosen, listed }} x={flagX} />
      <Bars {...{ width, slots, listed, chosen, onGrip, onHover }} />
      {pinned.map(({ pin, hold }) => (
        <PinTitle key={pin.id} {...{ pin, hold, view }} left={left + cueRoom} />
      ))}
      {document.cues.map((cue) => (
        <CueTab key={cue.id} cue={cue} x={left - 4} view={view} selected={chosen.has(cue.id)} />
      ))}
    </g>
  );
}

/** Brackets stand at the left of the first column; what the scroll of the page or the pointer drives stands before them. */
function findPinLeft(bars: readonly Bar[], slots: ReadonlyMap<string, LaneSlot>, cueRoom: number): number {
  const isBefore = ({ motion: { driver } }: Bar) => asScroll(driver) !== null || isPointed(driver);
  const columns = bars.filter((b) => !isBefore(b)).map((b) => slots.get(b.motion.id)?.x);
  return Math.max(12, Math.min(...columns.map((x) => (x ?? Infinity) - 17 - cueRoom), 60));
}

/** Triggers, and what plays at page load. */
interface FlagsProps {
  flags: readonly Flag[];
  x: number;
  chosen: ReadonlySet<string>;
  listed: boolean;
}

function Flags({ flags, x, chosen, listed }: FlagsProps) {
  const { document, layout, view, rows, select } = useRundown();
  const loads = document.motions.filter((m) => isAtLoad(m.driver));
  return (
    <>
      {flags.map((flag) => (
        <FlagMark
          key={flag.trigger.id}
          {...{ flag, x, rows, listed }}
          view={viewAlong(flag, layout, view)}
          selected={chosen.has(flag.trigger.id) || flag.parts.some((p) => chosen.has(p.id))}
          onSelect={select}
        />
      ))}
      {loads.length > 0 && (
        <LoadMark
          {...{ loads, x, view, listed }}
          selected={loads.some((m) => chosen.has(m.id))}
          onSelect={select}
        />
      )}
    </>
  );
}

type BarsProps = LanesProps & { chosen: ReadonlySet<string> };

function Bars({ width, slots, chosen, onGrip, onHover }: BarsProps) {
  const { bars, layout, view, rows, findings, query, grip } = useRundown();
  const drag = useStore(dragStore, (s) => s.drag);
  const firstFinding = useMemo(() => new Map(findings.toReversed().map((f) => [f.about, f])), [findings]);
  const searching = query.trim() !== '';
  return inSight(bars, layout, view, rows).map((bar) => {
    const { id } = bar.motion;
    const slot = slots.get(id);
    if (!slot) return null;
    return (
      <BarMark
        key={id}
        {...{ bar, slot, rows, grip, onGrip, onHover }}
        view={viewAlong(bar.placed, layout, view)}
        width={width - LANES}
        selected={chosen.has(id)}
        single={chosen.size === 1 && chosen.has(id)}
        finding={firstFinding.get(id)}
        faded={searching && !finds(query, bar.motion, findings)}
        dragged={drag?.bar.motion.id === id ? drag.grip : null}
      />
    );
  });
}

/** Rows beyond the lanes that a label, a handle or a fan may reach. */
const BEYOND = 60;

/** Bars that the lanes show some part of; of thousands only these are drawn. */
const inSight = (bars: readonly Bar[], layout: Layout, view: View, rows: number): Bar[] =>
  bars.filter(({ placed, others }) => {
    const along = viewAlong(placed, layout, view);
    const [from, to] = [offsetAt(-BEYOND, along), offsetAt(rows + BEYOND, along)];
    const last = others.length ? Math.max(placed.end, ...others.slice(0, 24).map((o) => o.end)) : placed.end;
    return placed.start <= to && Math.max(placed.start, last) >= from;
  });
