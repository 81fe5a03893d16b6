/** A pinned scene from the side: the track, the stage where it is held and where it lets go, the window, and what the hold adds. */
import { changePin, itemAt } from '@lyvek/core';
import { useRef } from 'react';
import type { PointerEvent } from 'react';
import { useStore } from 'zustand';
import type { PinnedSpan, Pin } from '@lyvek/core';
import { dragOperation } from '../../../../state/drag-operation.ts';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { withDistance } from '../../../../editor/model/pins.ts';
import { grouped } from '../../../../editor/strip/view.ts';
import { useRundown } from '../../rundown-context.ts';
import { pinDiagramText } from './text.ts';

const W = 190;
const H = 226;

/** Rows of the words beside the track: where it is held, where it lets go, and the window between or beside these. */
function placeWords([held, goes]: readonly [number, number], [top, bottom]: readonly [number, number]) {
  const heldAt = Math.max(9, held - 3);
  const goesAt = Math.min(H - 3, goes + 4);
  const beside = [top + 9, (top + bottom) / 2 + 4, bottom];
  const isFree = (at: number) => Math.min(Math.abs(at - heldAt), Math.abs(at - goesAt)) >= 11;
  return { heldAt, goesAt, nowAt: beside.find(isFree) ?? top + 9 };
}

export function PinDiagram({ pin, hold }: { pin: Pin; hold: PinnedSpan }) {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const { layout } = useRundown();
  const offset = useStore(link.store, (s) => s.offset.y);
  const frozen = useRef<{ first: number; k: number } | null>(null);
  const stage = itemAt(layout.elements, hold.stage);
  const port = itemAt(layout.scrollers, hold.scroller).port.height;
  const size = stage.box.height;
  const distance = hold.end - hold.start;
  const top = hold.start + hold.top;
  const first = Math.min(top, hold.start) - port * 0.25;
  const last = Math.max(top + size + distance, hold.end + port) + port * 0.25;
  const scale = frozen.current ?? { first, k: (H - 22) / (last - first) };
  const y = (px: number) => 16 + (px - scale.first) * scale.k;
  const now = Math.min(last - port, Math.max(first, offset));
  const { heldAt, goesAt, nowAt } = placeWords([y(top), y(top + distance + size)], [y(now), y(now + port)]);
  const shown = top + Math.min(distance, Math.max(0, offset - hold.start));

  const drag = (e: PointerEvent<SVGRectElement>) => {
    const { k } = scale;
    const operation = (by: number, event: { altKey: boolean }) =>
      changePin(pin.id, pinDiagramText.changeThePinsLength, (p) =>
        withDistance(p, { was: distance, now: distance + by / k }, layout.viewport.height, event.altKey),
      );
    const ended = () => void (frozen.current = null);
    const begun = dragOperation(e, session, { operation, ended });
    if (begun) frozen.current = scale;
  };
  return (
    <div className="side-view">
      <h4>{pinDiagramText.sideView(Math.round(1 / scale.k))}</h4>
      <svg
        width={W}
        height={H}
        role="img"
        aria-label={pinDiagramText.pinnedFromToPx(grouped(hold.start), grouped(hold.end))}
      >
        <AddedPattern />
        <path className="side-page" d={`M120 0V${H}`} />
        <rect
          x={120}
          y={y(top + size)}
          width={22}
          height={Math.max(0, distance * scale.k)}
          fill="url(#added)"
        />
        <rect className="side-track" x={120} y={y(top)} width={22} height={(size + distance) * scale.k} />
        <rect className="side-ghost" x={124} y={y(top)} width={14} height={size * scale.k} />
        <rect
          className="side-ghost end"
          x={124}
          y={y(top + distance)}
          width={14}
          height={size * scale.k}
          onPointerDown={drag}
        >
          <title>{pinDiagramText.dragToChangeThe}</title>
        </rect>
        <rect
          className="side-stage"
          x={124}
          y={y(shown)}
          width={14}
          height={size * scale.k}
          pointerEvents="none"
        />
        <path className="side-window" d={`M110 ${y(now)}H104V${y(now + port)}H110`} />
        <Beside at={nowAt}>{pinDiagramText.windowNow}</Beside>
        <Beside at={heldAt} isQuiet>
          {pinDiagramText.pinnedAt(grouped(hold.start))}
        </Beside>
        <Beside at={goesAt} isQuiet>
          {pinDiagramText.releasedAt(grouped(hold.end))}
        </Beside>
        {distance * scale.k > 30 && <Adds at={y(top + size + distance / 2)} distance={distance} />}
      </svg>
    </div>
  );
}

/** Hatching for what the pin adds to the page. */
const AddedPattern = () => (
  <defs>
    <pattern id="added" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <path d="M0 0V5" stroke="var(--pin-edge)" strokeWidth="1.6" />
    </pattern>
  </defs>
);

interface BesideProps {
  at: number | undefined;
  isQuiet?: boolean;
  children: string;
}

/** Words beside the track. */
const Beside = ({ at, isQuiet = false, children }: BesideProps) => (
  <text x={98} y={at} textAnchor="end" className={isQuiet ? 'quiet' : undefined}>
    {children}
  </text>
);

const Adds = ({ at, distance }: { at: number; distance: number }) => (
  <text className="side-adds" textAnchor="middle" transform={`translate(160 ${at}) rotate(-90)`}>
    {pinDiagramText.addsPx(grouped(distance))}
  </text>
);
