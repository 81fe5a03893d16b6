/** Dragging over empty lanes: what is touched is selected; with Alt the keyframes inside are chosen instead. */
import { useState } from 'react';
import type { PointerEvent, RefObject } from 'react';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { keyframesBetween, keyframeStore } from '../../../editor/model/keyframes.ts';
import type { Slot } from '../../../editor/model/bars.ts';
import { offsetAt } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { LANES } from './lanes.ts';

interface Corners {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

export function useLasso(svg: RefObject<SVGSVGElement | null>, slots: ReadonlyMap<string, Slot>) {
  const { session } = useOpenedPage();
  const { bars, selection, view } = useRundown();
  const [lasso, setLasso] = useState<Corners | null>(null);
  const at = (e: PointerEvent) => {
    const frame = svg.current!.getBoundingClientRect();
    return { x: e.clientX - frame.left, y: e.clientY - frame.top };
  };
  const drop = (e: PointerEvent) => {
    if (!lasso) return;
    const [xa, xb] = [Math.min(lasso.x0, lasso.x1) - LANES, Math.max(lasso.x0, lasso.x1) - LANES];
    const [ya, yb] = [
      offsetAt(Math.min(lasso.y0, lasso.y1), view),
      offsetAt(Math.max(lasso.y0, lasso.y1), view),
    ];
    setLasso(null);
    const across = bars.filter((b) => {
      const slot = slots.get(b.motion.id);
      return slot && slot.x + 6 >= xa && slot.x - 6 <= xb;
    });
    if (e.altKey) return keyframeStore.setState({ chosen: keyframesBetween(across, ya, yb) });
    keyframeStore.setState({ chosen: [] });
    if (xb - xa < 4 && Math.abs(lasso.y1 - lasso.y0) < 4) {
      if (!e.shiftKey) session.select([]);
      return;
    }
    const touched = across.filter((b) => b.placed.end >= ya && b.placed.start <= yb).map((b) => b.motion.id);
    session.select(e.shiftKey ? [...new Set([...selection, ...touched])] : touched);
  };
  return {
    box: lasso && {
      x: Math.min(lasso.x0, lasso.x1),
      y: Math.min(lasso.y0, lasso.y1),
      width: Math.abs(lasso.x1 - lasso.x0),
      height: Math.abs(lasso.y1 - lasso.y0),
    },
    handlers: {
      onPointerDown(e: PointerEvent<SVGRectElement>) {
        if (e.button !== 0) return;
        const { x, y } = at(e);
        e.currentTarget.setPointerCapture(e.pointerId);
        setLasso({ x0: x, y0: y, x1: x, y1: y });
      },
      onPointerMove(e: PointerEvent<SVGRectElement>) {
        if (!lasso) return;
        const { x, y } = at(e);
        setLasso({ ...lasso, x1: x, y1: y });
      },
      onPointerUp: drop,
    },
  };
}
