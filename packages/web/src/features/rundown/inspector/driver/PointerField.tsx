/** A small viewport in which the pointer is tried: what is dragged here is heard by the page as its own pointer. */
import { useEffect } from 'react';
import type { KeyboardEvent } from 'react';
import type { PointerDriver } from '@lyvek/core';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { beginDrag } from '../../../../ui/drag.ts';
import { useRundown } from '../../rundown-context.ts';
import { pointerInspectorText as text } from './text.ts';

/** Shares of the viewport. */
export interface Point {
  x: number;
  y: number;
}

const W = 168;
const H = 96;
const MIDDLE: Point = { x: 0.5, y: 0.5 };
const STEP = 0.05;
const KEYS: Record<string, Point> = {
  ArrowLeft: { x: -STEP, y: 0 },
  ArrowRight: { x: STEP, y: 0 },
  ArrowUp: { x: 0, y: -STEP },
  ArrowDown: { x: 0, y: STEP },
};

const inside = (share: number): number => Math.min(1, Math.max(0, share));

interface PointerFieldProps {
  driver: PointerDriver;
  /** null: the pointer is elsewhere */
  at: Point | null;
  onPoint(at: Point | null): void;
}

export function PointerField({ driver, at, onPoint }: PointerFieldProps) {
  const { link } = useShownPage();
  const { layout } = useRundown();
  const { width, height } = layout.viewport;
  const k = Math.min(W / width, H / height);
  const [w, h] = [width * k, height * k];
  useEffect(() => () => link.point(null), [link]);
  const put = (next: Point | null) => {
    link.point(next);
    onPoint(next);
  };
  const leave = () => put(null);
  const press = (e: KeyboardEvent) => {
    const by = KEYS[e.key];
    if (e.key === 'Escape' && at) leave();
    else if (by) {
      const from = at ?? MIDDLE;
      put({ x: inside(from.x + by.x), y: inside(from.y + by.y) });
    } else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const shown = at ?? MIDDLE;
  const isX = driver.axis === 'x';
  return (
    <div className="diagram">
      <h3>{text.tryIt}</h3>
      <svg
        width={w + 12}
        height={h + 12}
        viewBox={`-6 -6 ${w + 12} ${h + 12}`}
        className="pointer-field"
        role="application"
        tabIndex={0}
        aria-label={text.fieldLabel}
        onKeyDown={press}
        onBlur={leave}
        onPointerDown={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          const toPoint = (event: { clientX: number; clientY: number }): Point => ({
            x: inside((event.clientX - box.left - 6) / w),
            y: inside((event.clientY - box.top - 6) / h),
          });
          if (beginDrag(e, { move: (_, event) => put(toPoint(event)), drop: leave, putBack: leave }))
            put(toPoint(e));
        }}
      >
        <rect className="diagram-port" x={0} y={0} width={w} height={h} />
        <path className="pointer-axis" d={isX ? `M0 ${h / 2}H${w}` : `M${w / 2} 0V${h}`} />
        {at && <path className="pointer-cross" d={isX ? `M${at.x * w} 0V${h}` : `M0 ${at.y * h}H${w}`} />}
        <circle className={at ? 'pointer-dot' : 'pointer-dot away'} cx={shown.x * w} cy={shown.y * h} r="5" />
      </svg>
      <p>{at ? text.isAt(Math.round(at[driver.axis] * 100)) : text.dragInTheField}</p>
    </div>
  );
}
