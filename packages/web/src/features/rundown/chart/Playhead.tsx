/** Where the page stands: a line across the lanes, a bracket for the viewport, and the offset in px. */
import { present } from '@lyvek/core';
import { useRef } from 'react';
import { useStore } from 'zustand';
import { beginDrag } from '../../../ui/drag.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { keyframeStore } from '../../../editor/model/keyframes.ts';
import { fitView, grouped, offsetAt, toRow } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { STRIP } from './Strip.tsx';
import { dragStore } from '../model/drag-store.ts';

/** The plate stands on the ruler, where it covers numbers that it says itself and no words of the lanes. */
const RULER = { x: 95, width: 48 };

/** Its line, under what is in the lanes: it crosses no words. */
export function PlayheadLine({ width }: { width: number }) {
  const { link } = useShownPage();
  const { view } = useRundown();
  const y = toRow(
    useStore(link.store, (s) => s.offset.y),
    view,
  );
  return <path className="playhead-line" d={`M89 ${y}H${width}`} />;
}

export function Playhead() {
  const { link, viewport } = useShownPage();
  const { view, rows, max, pageHeight } = useRundown();
  const y0 = useStore(link.store, (s) => s.offset.y);
  const dragging = useStore(dragStore, (s) => s.drag !== null && s.drag.grip !== 'body');
  const area = useRef<SVGRectElement>(null);
  const fit = fitView(pageHeight, rows);
  const y = toRow(y0, view);
  const top = toRow(y0, fit);
  const height = viewport.height / fit.per;
  const toOffset = (e: { clientY: number }) =>
    offsetAt(e.clientY - present(area.current).getBoundingClientRect().top, view);
  const hover = (e: { clientY: number }) => keyframeStore.setState({ hover: toOffset(e) });
  const press = (e: React.PointerEvent<SVGRectElement>) => {
    const scrub = (_by: number, event: { clientY: number }) =>
      link.scrollTo(Math.min(max, Math.max(0, toOffset(event))));
    const putBack = (given: boolean) => given && link.scrollTo(y0);
    if (beginDrag(e, { move: scrub, drop: scrub, putBack })) scrub(0, e);
  };
  return (
    <g className="playhead">
      <rect
        className="scrub-area"
        ref={area}
        role="presentation"
        x={89}
        y={0}
        width={54}
        height={rows}
        onPointerDown={press}
        onPointerMove={hover}
        onPointerLeave={() => keyframeStore.setState({ hover: null })}
      />
      <path
        className="viewport-bracket"
        d={`M${STRIP.x + 3} ${top + 0.5}h-5v${Math.max(3, height)}h5M${STRIP.x + STRIP.width - 3} ${top + 0.5}h5v${Math.max(3, height)}h-5`}
      />
      {!dragging && (
        <g
          className="playhead-plate"
          transform={`translate(${RULER.x}, ${Math.min(rows - 8, Math.max(8, y))})`}
        >
          <path d={`M0 -8H${RULER.width - 6}L${RULER.width} 0L${RULER.width - 6} 8H0Z`} />
          <text x={RULER.width - 9} y={4} textAnchor="end">
            {grouped(y0)}
          </text>
        </g>
      )}
    </g>
  );
}
