/** One motion in the lanes: a capsule for a view progress, a hairline for the whole page, with its label and its handles. */
import { memo } from 'react';
import type { PointerEvent } from 'react';
import { findHold } from '@lyvek/core';
import type { Finding } from '@lyvek/core';
import type { Bar, LaneSlot } from '../../../editor/model/bars.ts';
import { Keyframes } from './Keyframes.tsx';
import { Fan } from './Fan.tsx';
import { HoldGrips } from './HoldMark.tsx';
import { driverDrawing } from '../../../editor/drivers/drawings.ts';
import type { Grip } from '../model/moves.ts';
import { effectWords, pointWords } from '../../../editor/words.ts';
import { grouped, toRow } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';

export interface BarMarkProps {
  bar: Bar;
  slot: LaneSlot;
  view: View;
  rows: number;
  /** how wide the lanes are; labels that would leave them stand at the left */
  width: number;
  selected: boolean;
  single: boolean;
  grip: Grip;
  finding: Finding | undefined;
  /** not what is looked for */
  faded: boolean;
  dragged: Grip | null;
  onGrip(e: PointerEvent, bar: Bar, grip: Grip): void;
  onHover(bar: Bar | null): void;
}

export const BarMark = memo(function BarMark(props: BarMarkProps) {
  const { bar, slot, view, rows, selected, finding, single } = props;
  const y0 = toRow(bar.placed.start, view);
  const y1 = Math.max(y0 + 2, toRow(bar.placed.end, view));
  if (y1 < -40 || y0 > rows + 40) return null;
  const { kind } = bar.motion.driver;
  const drawing = driverDrawing(kind).bar;
  const hold = y1 - y0 > 24 && drawing.holds ? findHold(bar.motion) : null;
  return (
    <g
      className={`bar bar-${kind}${selected ? ' selected' : ''}${bar.motion.on ? '' : ' muted'}${props.faded ? ' faded' : ''}`}
      data-motion={bar.motion.id}
      onPointerEnter={() => props.onHover(bar)}
      onPointerLeave={() => props.onHover(null)}
    >
      {drawing.draw({ x: slot.x, y0, y1 }, hold)}
      <rect
        className="bar-grip"
        x={slot.x - 9}
        y={y0}
        width={18}
        height={y1 - y0}
        onPointerDown={(e) => props.onGrip(e, bar, 'body')}
      />
      {y1 - y0 > 20 && drawing.hasRange && (!hold || !single) && (
        <Keyframes bar={bar} x={slot.x} view={view} ends={selected} />
      )}
      {hold && single && <HoldGrips bar={bar} hold={hold} x={slot.x} y0={y0} y1={y1} view={view} />}
      {selected &&
        drawing.hasRange &&
        (['start', 'end'] as const).map((side) => {
          const y = side === 'start' ? y0 : y1;
          const active = props.dragged === side || (single && props.grip === side);
          return (
            <g
              key={side}
              className={`handle${active ? ' active' : ''}`}
              onPointerDown={(e) => props.onGrip(e, bar, side)}
            >
              <rect className="handle-area" x={slot.x - 14} y={y - 8} width={28} height={16} />
              <rect
                className="handle-shape"
                x={slot.x - 8}
                y={y - (active ? 3 : 2.5)}
                width={16}
                height={active ? 6 : 5}
                rx={1}
              />
            </g>
          );
        })}
      <Fan bar={bar} x={slot.x} view={view} selected={single} />
      <Label {...props} y0={y0} y1={y1} finding={finding} />
    </g>
  );
});

function Label({
  bar,
  slot,
  y0,
  y1,
  finding,
  single,
  dragged,
  rows,
  width,
}: BarMarkProps & { y0: number; y1: number }) {
  const room = slot.label;
  const fan = Math.min(bar.others.length, 24);
  const x =
    slot.x + driverDrawing(bar.motion.driver.kind).bar.label + (fan ? fan * 7 + (single ? 16 : 2) : 0);
  if (single && room > 0 && !dragged) {
    const at = (side: 'start' | 'end') =>
      `${pointWords(bar.motion.range[side], side, bar.motion.driver.kind)} · ${grouped(bar.placed[side])} px`;
    const widest = Math.max(bar.motion.name.length, at('start').length, at('end').length) * 5.6;
    const left = x + widest > width && slot.x > widest;
    const place = {
      x: left ? slot.x - 12 : x,
      anchor: left ? ('end' as const) : ('start' as const),
      room: widest + 20,
    };
    // At the very top of the page its name stays below the edge.
    const first = Math.max(y0 + 4, 24);
    return (
      <g className="label">
        <Tag {...place} y={first - 13} className="name" text={bar.motion.name} />
        {!driverDrawing(bar.motion.driver.kind).bar.hasRange ? (
          <Tag {...place} y={first} className="what" text={effectWords(bar.motion)} />
        ) : (
          <>
            <Tag {...place} y={first} className="point" text={at('start')} />
            <Tag {...place} y={Math.max(y1 + 4, first + 14)} className="point" text={at('end')} />
          </>
        )}
        {finding && <FindingMark x={slot.x + (left ? 10 : -20)} y={y0 + 2} finding={finding} />}
      </g>
    );
  }
  // A label whose bar begins above the window waits under its upper edge.
  const top = Math.min(Math.max(y0 + 9, 12), Math.max(12, y1 - 8));
  if (top > rows + 10) return null;
  return (
    <g className="label">
      {room > 0 && (
        <>
          <Tag x={x} y={top} className="name" text={bar.motion.name} room={room} />
          <Tag
            x={x}
            y={top + 13}
            className={finding ? 'brief' : 'what'}
            text={finding ? finding.brief : effectWords(bar.motion)}
            room={room}
          />
        </>
      )}
      {finding && <FindingMark x={slot.x - 20} y={top - 8} finding={finding} />}
    </g>
  );
}

interface TagProps {
  x: number;
  y: number;
  className: string;
  text: string;
  room: number;
  anchor?: 'start' | 'end';
}

/** About 5.4 px a letter at this size; what does not fit is cut with an ellipsis. */
function Tag({ x, y, className, text, room, anchor }: TagProps) {
  const letters = Math.floor(room / 5.5);
  return (
    <text x={x} y={y} className={className} textAnchor={anchor}>
      {text.length > letters ? `${text.slice(0, Math.max(1, letters - 1)).trimEnd()}…` : text}
    </text>
  );
}

function FindingMark({ x, y, finding }: { x: number; y: number; finding: Finding }) {
  return finding.severity === 'error' ? (
    <path className="mark-error" d={`M${x + 5.5} ${y}l5.2 9.2h-10.4z`}>
      <title>{finding.sentence}</title>
    </path>
  ) : (
    <path className="mark-warning" d={`M${x + 5.5} ${y + 0.8}l4.5 8h-9z`}>
      <title>{finding.sentence}</title>
    </path>
  );
}
