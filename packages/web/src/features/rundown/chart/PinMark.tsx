/** A pin in the lanes: a bracket over the stretch for which its stage is held, with a wash, its name, and its end to drag. */
import { useRef } from 'react';
import type { PointerEvent } from 'react';
import { ellipsized, changePin } from '@lyvek/core';
import type { PinnedSpan, Pin } from '@lyvek/core';
import { dragOperation } from '../../../state/drag-operation.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { distanceWords, withDistance } from '../../../editor/model/pins.ts';
import { grouped, toRow } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { pinMarkText } from './text.ts';

/** Bars begin to the right of it. */
const MAX_LETTERS = 22;

interface PinMarkProps {
  pin: Pin;
  hold: PinnedSpan;
  left: number;
  width: number;
  view: View;
  selected: boolean;
  /** px to the right of the bracket that tabs of cues have */
  cueRoom?: number;
}

export function PinMark({ pin, hold, left, width, view, selected, cueRoom = 0 }: PinMarkProps) {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const { select, layout, rows } = useRundown();
  const y0 = toRow(hold.start, view);
  const y1 = Math.max(y0 + 3, toRow(hold.end, view));
  const at = useRef({ view, hold });
  at.current = { view, hold };
  if (y1 < -30 || y0 > rows + 30) return null;
  const drag = (e: PointerEvent<SVGRectElement>) => {
    const was = hold.end - hold.start;
    const { per } = view;
    const operation = (by: number, event: { altKey: boolean }) =>
      changePin(pin.id, pinMarkText.changeThePinsLength, (p) =>
        withDistance(p, { was, now: was + by * per }, layout.viewport.height, event.altKey),
      );
    const moved = () => link.scrollTo(at.current.hold.end);
    const begun = dragOperation(e, session, { operation, moved });
    if (begun) select(pin.id);
  };
  return (
    <g className={`pin-mark${selected ? ' selected' : ''}`} data-pin={pin.id}>
      <rect className="pin-wash" x={left} y={y0} width={width - left - 6} height={y1 - y0} />
      <path className="pin-lines" d={`M${left} ${y0}H${width - 6}M${left} ${y1}H${width - 6}`} />
      <path className="pin-bracket" d={`M${left + 9} ${y0}H${left}V${y1}H${left + 9}`} />
      <rect
        className="pin-area"
        x={left - 5}
        y={y0}
        width={12}
        height={y1 - y0}
        onPointerDown={(e) => {
          e.stopPropagation();
          select(pin.id, e.shiftKey);
        }}
      />
      {selected && (
        <g className="handle active">
          <rect className="handle-shape" x={left - 8} y={y1 - 3} width={16} height={6} rx={1} />
          <text className="point" x={left + 14} y={y1 + (cueRoom ? 19 : 15)}>
            {pinMarkText.untilPx(grouped(hold.end))}
          </text>
        </g>
      )}
      <rect className="handle-area" x={left - 12} y={y1 - 8} width={40} height={16} onPointerDown={drag} />
    </g>
  );
}

/** A muted pin holds nothing; where it would, its name stays, so that it can be found and unmuted. */
export function MutedPin({
  pin,
  at,
  left,
  view,
  selected,
}: { pin: Pin; at: number } & Pick<PinMarkProps, 'left' | 'view' | 'selected'>) {
  const { select, rows } = useRundown();
  const y = toRow(at, view);
  if (y < -20 || y > rows + 20) return null;
  return (
    <g
      className={`pin-mark muted${selected ? ' selected' : ''}`}
      data-pin={pin.id}
      onPointerDown={(e) => {
        e.stopPropagation();
        select(pin.id, e.shiftKey);
      }}
    >
      <path className="pin-bracket" d={`M${left + 9} ${y}H${left}V${y + 14}`} strokeDasharray="2 2" />
      <rect className="pin-area" x={left - 5} y={y - 2} width={12} height={18} />
      <text className="pin-name" x={left + 13} y={y + 11}>
        <title>{pin.name}</title>
        {ellipsized(pin.name, MAX_LETTERS)}
        <tspan className="pin-what" dx={6}>
          {pinMarkText.muted}
        </tspan>
      </text>
    </g>
  );
}

type PinTitleProps = Pick<PinMarkProps, 'pin' | 'hold' | 'left' | 'view'>;

/** The name of a pin lies over the bars that begin with it. */
export function PinTitle({ pin, hold, left, view }: PinTitleProps) {
  const { select } = useRundown();
  const [y0, y1] = [toRow(hold.start, view), toRow(hold.end, view)];
  const title = Math.max(y0 + 11, Math.min(12, y1 - 4));
  return (
    <text
      className="pin-name"
      x={left + 13}
      y={title}
      onPointerDown={(e) => {
        e.stopPropagation();
        select(pin.id, e.shiftKey);
      }}
    >
      <title>{pin.name}</title>
      {ellipsized(pin.name, MAX_LETTERS)}
      <tspan className="pin-what" dx={6}>
        {pinMarkText.pinned(distanceWords(pin, hold))}
      </tspan>
    </text>
  );
}
