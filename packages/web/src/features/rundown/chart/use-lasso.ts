/** Dragging over empty lanes: what is touched is selected; with Alt the keyframes inside are chosen instead. */
import { present } from '@lyvek/core';
import { useState } from 'react';
import type { PointerEvent, RefObject } from 'react';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { keyframesBetween, keyframeStore } from '../../../editor/model/keyframes.ts';
import type { Bar, LaneSlot } from '../../../editor/model/bars.ts';
import { viewAlong } from '../../../editor/model/own-axis.ts';
import { offsetAt } from '../../../editor/strip/view.ts';
import { beginDrag } from '../../../ui/drag.ts';
import { useRundown } from '../rundown-context.ts';
import { LANES } from './lanes.ts';

interface Corners {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

export function useLasso(svg: RefObject<SVGSVGElement | null>, slots: ReadonlyMap<string, LaneSlot>) {
  const { session } = useOpenedPage();
  const { bars, selection, view, layout } = useRundown();
  const [lasso, setLasso] = useState<Corners | null>(null);
  const at = (e: { clientX: number; clientY: number }) => {
    const frame = present(svg.current).getBoundingClientRect();
    return { x: e.clientX - frame.left, y: e.clientY - frame.top };
  };
  const select = (lasso: Corners, e: { altKey: boolean; shiftKey: boolean }) => {
    const [xa, xb] = [Math.min(lasso.x0, lasso.x1) - LANES, Math.max(lasso.x0, lasso.x1) - LANES];
    /** What of a bar’s own axis lies inside. */
    const inside = ({ placed }: Bar) => {
      const along = viewAlong(placed, layout, view);
      return [
        offsetAt(Math.min(lasso.y0, lasso.y1), along),
        offsetAt(Math.max(lasso.y0, lasso.y1), along),
      ] as const;
    };
    const across = bars.filter((b) => {
      const slot = slots.get(b.motion.id);
      return slot && slot.x + 6 >= xa && slot.x - 6 <= xb;
    });
    if (e.altKey)
      return keyframeStore.setState({ chosen: across.flatMap((b) => keyframesBetween([b], ...inside(b))) });
    keyframeStore.setState({ chosen: [] });
    const touched = across.flatMap((b) => {
      const [from, to] = inside(b);
      return b.placed.end >= from && b.placed.start <= to ? [b.motion.id] : [];
    });
    session.select(e.shiftKey ? [...new Set([...selection, ...touched])] : touched);
  };
  return {
    box: lasso && {
      x: Math.min(lasso.x0, lasso.x1),
      y: Math.min(lasso.y0, lasso.y1),
      width: Math.abs(lasso.x1 - lasso.x0),
      height: Math.abs(lasso.y1 - lasso.y0),
    },
    onPointerDown(e: PointerEvent<SVGRectElement>) {
      const { x, y } = at(e);
      const corners = (event: { clientX: number; clientY: number }): Corners => {
        const to = at(event);
        return { x0: x, y0: y, x1: to.x, y1: to.y };
      };
      const { shiftKey } = e;
      beginDrag(e, {
        move: (_by, event) => setLasso(corners(event)),
        drop(_by, event) {
          setLasso(null);
          select(corners(event), event);
        },
        putBack(given) {
          setLasso(null);
          if (given) return;
          keyframeStore.setState({ chosen: [] });
          if (!shiftKey) session.select([]);
        },
      });
    },
  };
}
